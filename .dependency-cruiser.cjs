/**
 * The folders of core in one order: each uses only those before it. Folders of one row do not know each other.
 */
const order = [
  ['color', 'text', 'picture'],
  ['html'],
  ['email'],
  ['motion'],
  ['tiles'],
  ['compile'],
  ['night', 'interact'],
  ['readers', 'checks', 'cut', 'house', 'import', 'starters'],
  ['handover'],
]
const inOrder = order.flatMap((row, i) =>
  row.map((folder) => ({
    name: `core-order-${folder}`,
    comment: `core/${folder} uses only the folders before it in docs/architecture.md`,
    severity: 'error',
    from: { path: `^src/core/${folder}/`, pathNot: '\\.test\\.ts$' },
    to: { path: `^src/core/(?!${[...order.slice(0, i).flat(), folder].join('/|')}/)` },
  })),
)

/** The house rules of docs/architecture.md, checked in CI. */
module.exports = {
  forbidden: [
    ...inOrder,
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      comment: 'core is computation only',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(?!core)|^(demo|e2e|bench)' },
    },
    {
      name: 'core-has-no-node',
      comment: 'core runs unchanged in Node, a worker and Jest',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-has-no-interface',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { path: 'node_modules/(react|react-dom|next|sharp|better-sqlite3|drizzle-orm)/' },
    },
    {
      name: 'ui-not-server',
      severity: 'error',
      from: { path: '^src/ui' },
      to: { path: '^src/(server|standins|app)' },
    },
    {
      name: 'server-not-ui',
      severity: 'error',
      from: { path: '^src/(server|standins)' },
      to: { path: '^src/(ui|app|workers)' },
    },
    {
      name: 'standins-apart',
      comment: 'stand-ins are outside services: they know nothing of the app',
      severity: 'error',
      from: { path: '^src/standins' },
      to: { path: '^src/server' },
    },
    {
      name: 'server-not-standins',
      comment: 'the app reaches stand-ins over SMTP and HTTP only',
      severity: 'error',
      from: { path: '^src/server' },
      to: { path: '^src/standins' },
    },
    {
      name: 'contract-stands-between',
      comment: 'the contract is shared by server, page and scripts: it knows core alone',
      severity: 'error',
      from: { path: '^src/contract' },
      to: { path: '^src/(?!core|contract)' },
    },
    {
      name: 'page-takes-types-of-the-contract',
      comment: 'its schemas would be loaded by every page',
      severity: 'error',
      from: { path: '^src/ui' },
      to: { path: '^src/contract', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'threads-without-database',
      comment: 'what worker threads compute depends on what they are given alone',
      severity: 'error',
      from: { path: '^src/server/pool/worker' },
      to: { path: '^src/server/db', reachable: true },
    },
    {
      name: 'workers-are-thin',
      severity: 'error',
      from: { path: '^src/workers' },
      to: { path: '^src/(?!core|workers)' },
    },
    {
      name: 'not-to-tests',
      severity: 'error',
      from: { pathNot: '\\.test\\.tsx?$|^e2e|^bench' },
      to: { path: '\\.test\\.tsx?$' },
    },
    {
      name: 'resolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^(bun:|next/|hast$|mdast$)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.next|test-fixtures' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json', '.css'],
    },
  },
}
