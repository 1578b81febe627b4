// The floors of the house, from the ground up: a room uses only rooms named before it, and enters them by their face.
const CORE = [
  'measure',
  'exchange',
  'instruments',
  'records',
  'rules',
  'anatomy',
  'species',
  'carcass',
  'plan',
  'ledger',
  'reading',
  'hand',
  'clock',
  'line',
  'batch',
  'papers',
  'practice',
]
/** What the core may take from a registry: pure, and without a clock, a disk or a network. */
const LIBRARIES = ['papaparse', 'zod', 'd3-array', 'd3-random', 'fast-deep-equal', 'minisearch', 'jstat']
const NOT_TESTS = '\\.test\\.ts$|/testing\\.ts$'

const above = CORE.map((room, i) => ({
  name: `core-${room}-uses-only-what-lies-below`,
  severity: 'error',
  from: { path: `^core/${room}/`, pathNot: NOT_TESTS },
  to: { path: CORE.slice(i + 1).map((r) => `^core/${r}/`) },
})).filter((rule) => rule.to.path.length > 0)

const wing = (name, ...may) => ({
  name: `${name}-uses-only-what-lies-below`,
  severity: 'error',
  from: { path: `^${name}/`, pathNot: NOT_TESTS },
  to: {
    path: '^(core|contracts|paper|demo|server|web|e2e|kit|trials|bench|calibration)/',
    pathNot: [name, ...may].map((room) => `^${room}/`),
  },
})

export default {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    ...above,
    wing('core'),
    wing('contracts', 'core'),
    wing('paper', 'core'),
    wing('demo', 'core', 'contracts'),
    wing('server', 'core', 'contracts', 'paper', 'demo', 'scripts'),
    wing('web', 'core', 'contracts'),
    {
      name: 'a-room-is-entered-by-its-face',
      severity: 'error',
      from: { path: '^core/([^/]+)/', pathNot: NOT_TESTS },
      to: { path: '^core/[^/]+/.+', pathNot: ['^core/$1/', '^core/[^/]+/index\\.ts$'] },
    },
    {
      name: 'the-core-is-entered-by-its-faces',
      severity: 'error',
      // One file has the sentences of all rooms.
      from: { path: '^(contracts|paper|demo|server|web)/', pathNot: `${NOT_TESTS}|^contracts/said\\.ts$` },
      to: { path: '^core/', pathNot: '^core/[^/]+/index\\.ts$' },
    },
    {
      name: 'a-page-loads-the-species-it-needs',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^core/species/' },
    },
    {
      name: 'the-core-knows-no-machine',
      severity: 'error',
      from: { path: '^core/', pathNot: NOT_TESTS },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'the-core-takes-few-libraries',
      severity: 'error',
      from: { path: '^core/', pathNot: NOT_TESTS },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'npm-no-pkg', 'npm-unknown'],
        pathNot: LIBRARIES.map((l) => `^node_modules/(@types/)?${l}/`),
      },
    },
    {
      name: 'nothing-shipped-uses-what-only-tests-need',
      severity: 'error',
      from: {
        path: '^(core|contracts|paper|demo|server|web)/',
        pathNot: `${NOT_TESTS}|vite\\.config\\.ts$|^server/(setup|fuzz|bodies)\\.ts$`,
      },
      to: {
        dependencyTypes: ['npm-dev'],
        dependencyTypesNot: ['type-only'],
        pathNot: '^node_modules/@types/',
      },
    },
    {
      name: 'every-import-is-found',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^pdfmake/interfaces' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(dist|node_modules/\\.cache)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      mainFields: ['module', 'main', 'types'],
      extensions: ['.ts', '.mjs', '.js', '.vue', '.json'],
    },
    cache: { folder: 'node_modules/.cache/dependency-cruiser', strategy: 'content' },
  },
}
