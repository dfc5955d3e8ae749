/** Floors of the core, from the ground up: each knows those under it, by values and by types, and none above. */
const FLOORS = [
  'base',
  'parts',
  'boat',
  'rig',
  'layout',
  'holding',
  'water',
  'electric',
  'lines',
  'work',
  'checks',
  'workup',
  'proposals',
];

/** No folder of the product depends on itself by way of others; specs may look anywhere. */
module.exports = {
  forbidden: [
    { name: 'no-circles-of-folders', severity: 'error', scope: 'folder', from: {}, to: { circular: true } },
    ...FLOORS.slice(0, -1).map((floor, i) => ({
      name: `${floor}-knows-no-floor-above`,
      severity: 'error',
      from: { path: `^core/${floor}/` },
      to: { path: `^core/(${FLOORS.slice(i + 1).join('|')})/` },
    })),
    {
      name: 'core-has-no-other-floors',
      severity: 'error',
      from: { path: '^core/', pathNot: `^core/(${FLOORS.join('|')})/` },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/|(spec|bench)\\.ts$|^testing/|^demo/' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    tsPreCompilationDeps: true,
  },
};
