/** No folder of the product depends on itself by way of others; specs may look anywhere. */
module.exports = {
  forbidden: [{ name: 'no-circles-of-folders', severity: 'error', scope: 'folder', from: {}, to: { circular: true } }],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(spec|bench)\\.ts$|/testing/|^demo/' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    tsPreCompilationDeps: true,
  },
};
