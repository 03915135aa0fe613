/** The arrows of docs/architecture.md: who may import whom. Everything may import core; core imports nothing but core. */
const only = (from, allowed) => ({
  name: `${from}-imports-only-${allowed.join('-')}`,
  severity: 'error',
  from: { path: `^src/${from}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^src/', pathNot: [from, ...allowed].map((room) => `^src/${room}/`) },
})

/** The rooms of the core, lowest first: each stands on those before it. */
const coreRooms = [
  'base',
  'quantity',
  'safety',
  'condition',
  'standards',
  'identify',
  'gauge',
  'lifting',
  'tightening',
  'method',
  'limit',
  'setting',
  'fit',
  'typed',
  'policy',
  'book',
  'notes',
  'record',
  'scope',
  'trend',
  'slip',
  'verdict',
  'evaluate',
  'job',
  'bookSheets',
  'words',
  'kit',
]

module.exports = {
  forbidden: [
    only('core', []),
    only('clock', []),
    only('labels', ['core']),
    only('drawing', ['core', 'labels']),
    only('contract', ['core', 'labels', 'drawing']),
    only('sync', ['clock', 'core', 'labels', 'contract']),
    only('ui', ['core', 'labels', 'drawing', 'contract']),
    only('report', ['core', 'labels', 'drawing', 'contract']),
    only('islands', ['clock', 'core', 'labels', 'drawing', 'contract', 'report', 'sync', 'ui']),
    only('db', ['core']),
    only('server', ['clock', 'core', 'labels', 'drawing', 'contract', 'report', 'db']),
    only('layouts', ['core', 'labels', 'drawing', 'contract', 'ui']),
    {
      name: 'core-is-pure',
      comment: 'No Node, no DOM library, no database: numbers in, results with reasons out. Zod describes the record.',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core', 'npm', 'npm-dev'], pathNot: 'node_modules/zod/' },
    },
    {
      name: 'zod-only-in-schemas',
      comment: 'The bench evaluates without Zod: only the schema files of the record import it.',
      severity: 'error',
      from: { path: '^src/core/', pathNot: 'Schema\\.ts$|\\.test\\.ts$' },
      to: { path: 'node_modules/zod/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'no-zod-in-the-browser',
      comment:
        'What a page loads takes only types from schema files; a form fetches the schema of its body when it is sent first (dynamic).',
      severity: 'error',
      from: {
        path: '^src/(core|islands|ui|drawing|contract|report|sync)/',
        // What a file of a book is held against is the server's and the commands': no page loads it.
        pathNot:
          'Schema\\.ts$|bodies\\.ts$|core/book/(healed|checkBook|fields)\\.ts$|core/record/recordHistory\\.ts$|\\.(test|fixture)\\.tsx?$',
      },
      to: { path: 'Schema\\.ts$|contract/bodies\\.ts$', dependencyTypesNot: ['type-only'], dynamic: false },
    },
    {
      name: 'only-db-writes-sql',
      comment: 'Use cases ask the queries of their area.',
      severity: 'error',
      from: { path: '^src/(server|pages|gauges)/', pathNot: '^src/server/people/auth\\.ts$|\\.(test|fixture)\\.ts$' },
      to: { path: 'node_modules/drizzle-orm/' },
    },
    {
      name: 'browser-knows-no-server',
      severity: 'error',
      from: { path: '^src/(islands|ui|drawing|report|sync)/' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'no-cycles',
      comment: 'Types count: what is only named is known all the same.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    ...coreRooms.map((room, at) => ({
      name: `core-${room}-stands-on-the-rooms-before-it`,
      severity: 'error',
      from: { path: `^src/core/${room}/`, pathNot: '\\.(test|fixture)\\.ts$' },
      to: { path: '^src/core/', pathNot: coreRooms.slice(0, at + 1).map((before) => `^src/core/${before}/`) },
    })),
    {
      name: 'core-has-no-other-rooms',
      severity: 'error',
      from: { path: '^src/core/', pathNot: `^src/core/(${coreRooms.join('|')})/` },
      to: {},
    },
    { name: 'nothing-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: '^astro:' } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json', '.d.ts'],
    },
  },
}
