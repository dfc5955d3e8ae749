/** Dependencies point one way: web, server → api → core. */
module.exports = {
  forbidden: [
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/', pathNot: 'spec\\.ts$' },
      to: { path: '^(api|server|web|demo|e2e|testing|bench)/' },
    },
    { name: 'api-knows-only-core', severity: 'error', from: { path: '^api/' }, to: { path: '^(server|web|demo|e2e)/' } },
    { name: 'web-knows-no-server', severity: 'error', from: { path: '^web/' }, to: { path: '^(server|demo|e2e)/' } },
    { name: 'server-knows-no-web', severity: 'error', from: { path: '^server/' }, to: { path: '^(web|e2e)/' } },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-touches-no-platform',
      severity: 'error',
      from: { path: '^core/', pathNot: 'spec\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    tsPreCompilationDeps: 'specify',
  },
};
