/** Arrows point one way: core ← contract ← server; core, contract ← web. */
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true, dependencyTypesNot: ['type-only'] } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^packages/core/src' },
      to: { path: ['^packages/contract', '^apps'] },
    },
    {
      name: 'core-has-no-io',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$' },
      to: {
        dependencyTypes: ['core', 'npm', 'npm-dev'],
        pathNot:
          'node_modules/(@date-fns/tz|@photostructure/tz-lookup|webvtt-parser|papaparse|saxes|@tmcw/togeojson|@xmldom/xmldom|fflate|fit-file-parser|read-excel-file|proj4|@types/proj4|simplify-js|@types/papaparse|chevrotain|fastest-levenshtein|fast-xml-parser|geographiclib-geodesic|suncalc|d3-polygon|@types/d3-polygon|lodash|@types/lodash)/',
      },
    },
    {
      name: 'contract-knows-core-only',
      severity: 'error',
      from: { path: '^packages/contract' },
      to: { path: '^apps' },
    },
    {
      name: 'server-and-web-are-strangers',
      severity: 'error',
      from: { path: '^apps/server' },
      to: { path: '^apps/web' },
    },
    {
      name: 'web-and-server-are-strangers',
      severity: 'error',
      from: { path: '^apps/web' },
      to: { path: '^apps/server' },
    },
    {
      name: 'server-domains-by-their-index',
      comment:
        'A domain reaches another only through its index; the platform and the list of heavy tasks assemble them, entities are one database, and what is stored beside a row is worked out without one.',
      severity: 'error',
      from: {
        path: '^apps/server/src/([^/]+)/',
        pathNot: ['^apps/server/src/platform/', '^apps/server/src/work/tasks\\.ts$'],
      },
      to: {
        path: '^apps/server/src/([^/]+)/',
        pathNot: ['^apps/server/src/$1/', '^apps/server/src/platform/', '/(index|entities|columns)\\.ts$'],
      },
    },
    {
      name: 'core-domains-by-their-index',
      severity: 'error',
      from: { path: '^packages/core/src/([^/]+)/' },
      to: {
        path: '^packages/core/src/([^/]+)/',
        // Plain sets for tests are lent to other domains' tests.
        pathNot: ['^packages/core/src/$1/', '/index\\.ts$', '/testPlans\\.ts$'],
      },
    },
    {
      name: 'web-domains-by-their-index',
      comment:
        'A domain of the web app reaches another only through its index. The kit (ui), the door to the server (api) and what the device remembers (state) are open to all; the frame assembles them.',
      severity: 'error',
      from: { path: '^apps/web/src/([^/]+)/', pathNot: '^apps/web/src/frame/' },
      to: {
        path: '^apps/web/src/([^/]+)/',
        pathNot: ['^apps/web/src/$1/', '^apps/web/src/(ui|api|state)/', '^apps/web/src/[^/]+/index\\.tsx?$'],
      },
    },
    {
      name: 'web-routes-render-screens',
      comment: 'A file of a URL renders a screen; anything else of a domain it takes from the index.',
      severity: 'error',
      from: { path: '^apps/web/app/' },
      to: {
        path: '^apps/web/src/([^/]+)/',
        pathNot: ['/index\\.tsx?$', 'Screen\\.tsx$', '^apps/web/src/(ui|api|state)/'],
      },
    },
    {
      name: 'web-domains-in-one-direction',
      comment: 'No domain of the web app needs, over others, one that needs it.',
      severity: 'error',
      scope: 'folder',
      from: { path: '^apps/web/src/[^/]+$' },
      to: { circular: true },
    },
    ...['^packages/core/src/[^/]+$', '^packages/core/src/[^/]+/[^/]+$'].map((path, i) => ({
      name: i === 0 ? 'core-domains-in-one-direction' : 'core-parts-in-one-direction',
      comment: 'The domains of core, and the parts of the large ones, build on each other one way.',
      severity: 'error',
      scope: 'folder',
      from: { path },
      to: { circular: true },
    })),
    {
      name: 'no-orphans',
      severity: 'error',
      from: {
        orphan: true,
        pathNot: [
          '\\.d\\.ts$',
          '\\.test\\.tsx?$',
          '\\.config\\.(c|m)?js$',
          'index\\.html$',
          '\\.svg$',
          '^apps/web/test/',
          '^apps/web/app/',
        ],
      },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: ['(^|/)dist/', '(^|/)\\.expo/', '(^|/)public/'] },
    tsPreCompilationDeps: true,
    webpackConfig: { fileName: 'scripts/resolve.cjs' },
    tsConfig: { fileName: require('node:path').join(__dirname, 'apps/web/tsconfig.json') },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.cjs', '.mjs'],
    },
  },
};
