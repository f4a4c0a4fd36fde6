// Who may import whom. Checked by `npm test`; docs/architecture.md says why.
const TIERS = [
  ['shared'],
  [
    'people',
    'applications',
    'orgChart',
    'calendar',
    'files',
    'clips',
    'ways',
    'items',
    'events',
    'jobs',
    'inbox',
    'settings',
    'storage',
    'processes',
    'writing',
    'mail',
    'db',
    'http',
    'api',
    'ui',
  ],
  ['guides', 'annotations', 'recording', 'flow', 'glossary', 'translation', 'search', 'audiences'],
  ['players', 'quizzes', 'surveys', 'courses', 'tasks', 'runs', 'signatures', 'exchange', 'editing'],
  ['assignments', 'plans', 'notices', 'library', 'sharing'],
  ['records', 'engagement', 'helpPanel', 'beginning'],
]
/** The pages of the author's bench stand above those who only read: it uses their players and the library. */
const WEB_TIERS = [
  ['ui', 'api'],
  ['people', 'applications', 'calendar', 'events', 'items', 'inbox', 'jobs', 'clips'],
  ['guides', 'annotations', 'remarks', 'recording', 'audiences', 'exchange', 'sharing'],
  ['players', 'library', 'assignments', 'tasks', 'quizzes', 'plans', 'beginning', 'surveys'],
  ['editing', 'records', 'engagement', 'guests'],
  ['app'],
  ['firstPicture'],
]
const inWeb = (names) => `^packages/web/src/(${names.join('|')})/`
const inCore = (names) => `^packages/core/src/(${names.join('|')})/`
const test = '(\\.test\\.tsx?$|\\.spec\\.ts$|/testing(/|\\.ts$))'

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-knows-only-the-core',
      severity: 'error',
      from: { path: '^packages/core/', pathNot: test },
      to: {
        pathNot:
          '^(packages/core/|node_modules/(zod|markdown-it|@types/markdown-it|htmlparser2|domhandler|entities|@date-fns/tz|date-fns|@noble/hashes|d3-hierarchy|ical.js|fastest-levenshtein|@types/d3-hierarchy)/)',
      },
    },
    {
      name: 'contracts-know-core',
      severity: 'error',
      from: { path: '^packages/contracts/', pathNot: test },
      to: { pathNot: '^(packages/(contracts|core)/|node_modules/zod/)' },
    },
    {
      name: 'server-never-web',
      severity: 'error',
      from: { path: '^packages/server/' },
      to: { path: '^(packages/(web|recorder)|e2e|bench|standins)/' },
    },
    {
      name: 'server-knows-the-demo-only-where-it-is-put-together',
      severity: 'error',
      from: { path: '^packages/server/', pathNot: '^packages/server/src/(demoServices|loadDemo|loadDemo\\.test)\\.ts$' },
      to: { path: '^demo/' },
    },
    {
      name: 'web-never-server',
      severity: 'error',
      from: { path: '^packages/(web|recorder)/' },
      to: { path: '^(packages/server|e2e|bench|demo|standins)/' },
    },
    {
      name: 'demo-knows-contracts-and-core',
      severity: 'error',
      from: { path: '^demo/' },
      to: { path: '^(packages/(server|web|recorder)|e2e|bench|standins)/' },
    },
    {
      name: 'e2e-knows-contracts-and-demo',
      severity: 'error',
      from: { path: '^e2e/' },
      to: { path: '^(packages/(server|web|recorder)|bench)/' },
    },
    {
      name: 'standins-know-contracts-at-most',
      severity: 'error',
      from: { path: '^standins/' },
      to: { path: '^(packages/(core|server|web|recorder)|demo|e2e|bench)/' },
    },
    {
      name: 'ui-knows-no-domain',
      severity: 'error',
      from: { path: '^packages/web/src/ui/' },
      to: { path: '^packages/web/src/(?!ui/|api/)' },
    },
    {
      name: 'core-domains-meet-at-their-index',
      severity: 'error',
      from: { path: '^packages/core/src/([^/]+)/' },
      to: { path: '^packages/core/src/([^/]+)/', pathNot: ['^packages/core/src/$1/', '^packages/core/src/[^/]+/index\\.ts$'] },
    },
    {
      name: 'server-domains-meet-at-their-index',
      severity: 'error',
      from: { path: '^packages/server/src/([^/]+)/', pathNot: test },
      to: { path: '^packages/server/src/([^/]+)/', pathNot: ['^packages/server/src/$1/', '^packages/server/src/[^/]+/index\\.ts$'] },
    },
    ...WEB_TIERS.map((tier, index) => ({
      name: `web-tier-${index + 1}-never-upwards`,
      severity: 'error',
      from: { path: inWeb(tier), pathNot: test },
      to: {
        path: inWeb(
          WEB_TIERS.slice(index + 1)
            .flat()
            .concat('never'),
        ),
      },
    })),
    {
      name: 'web-domains-are-in-a-tier',
      severity: 'error',
      from: { path: '^packages/web/src/' },
      to: { path: '^packages/web/src/[^/]+/', pathNot: inWeb(WEB_TIERS.flat()) },
    },
    { name: 'only-tests-use-test-helpers', severity: 'error', from: { pathNot: test }, to: { path: '/testing(/|\\.ts$)' } },
    // A domain may use those in lower tiers, never upwards.
    ...TIERS.map((tier, index) => ({
      name: `core-tier-${index + 1}-never-upwards`,
      severity: 'error',
      from: { path: inCore(tier), pathNot: test },
      to: {
        path: inCore(
          TIERS.slice(index + 1)
            .flat()
            .concat('never'),
        ),
      },
    })),
    ...TIERS.map((tier, index) => ({
      name: `server-tier-${index + 1}-never-upwards`,
      severity: 'error',
      from: { path: `^packages/server/src/(${tier.join('|')})/`, pathNot: test },
      to: {
        path: `^packages/server/src/(${TIERS.slice(index + 1)
          .flat()
          .concat('never')
          .join('|')})/`,
      },
    })),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|\\.build)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'node', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json', '.css'],
    },
  },
}
