/** Who may import whom: each room names the rooms it may look into; everything else is refused. */
const rooms = {
  core: [],
  formats: ['core'],
  inputs: ['core'],
  document: ['core', 'formats', 'inputs'],
  persistence: ['core'],
  devices: ['core', 'formats'],
  workers: ['core', 'formats/open'],
  offline: [],
  services: ['core', 'formats', 'inputs', 'document', 'persistence', 'devices/(ports|logger)'],
  runtime: ['core', 'formats', 'inputs', 'persistence', 'devices', 'services', 'workers/day'],
  ui: ['core', 'formats', 'inputs', 'document', 'workers/(client|forecastPool|protocol|newestAsk|practiceClient|practiceProtocol)'],
  app: ['core', 'formats', 'inputs', 'document', 'services', 'runtime', 'ui'],
};

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-orphans',
      severity: 'error',
      from: { orphan: true, pathNot: ['\\.d\\.ts$', '\\.test\\.tsx?$', '^src/app/', '^src/instrumentation', '^src/offline/'] },
      to: {},
    },
    ...Object.entries(rooms).map(([room, allowed]) => ({
      name: `${room}-looks-only-down`,
      severity: 'error',
      from: { path: `^src/${room}/` },
      to: { path: '^src/', pathNot: [`^src/${room}/`, ...allowed.map((each) => `^src/${each}`)] },
    })),
    {
      name: 'core-is-pure',
      comment: 'The heart uses nothing but itself.',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.tsx?$' },
      to: { pathNot: '^src/core/' },
    },
    {
      name: 'pure-rooms-without-node',
      severity: 'error',
      from: { path: '^src/(formats|inputs|document|workers|ui)/', pathNot: '\\.test\\.tsx?$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'ui-without-the-store',
      severity: 'error',
      from: { path: '^src/(ui|workers|core|formats|inputs|document)/' },
      to: { path: 'node_modules/(sequelize|sqlite3|umzug)/' },
    },
    {
      name: 'rooms-of-core-by-their-door',
      comment: 'Other rooms enter a core room by its index.',
      severity: 'error',
      from: { path: '^src/(?!core/)', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/core/[^/]+/(?!index\\.ts$)[^/]+$' },
    },
    {
      name: 'core-rooms-by-their-door',
      severity: 'error',
      from: { path: '^src/core/([^/]+)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/core/[^/]+/(?!index\\.ts$)[^/]+$', pathNot: '^src/core/$1/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.(css|json)$' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
};
