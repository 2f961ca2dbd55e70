// The layers, lowest first. A layer may import from itself and from those before it, never from those after it.
const layers = ['core', 'reference', 'demo', 'devices', 'views', 'data', 'server', 'workers', 'ui', 'app']

/** The floors of core, lowest first: each knows only those before it, types included. */
const floors = [
  'quantity',
  'words',
  'substance',
  'traces',
  'plan',
  'reaction',
  'measurements',
  'lab',
  'matter',
  'operations',
  'edit',
  'safety',
  'run',
  'result',
  'query',
  'classroom',
  'marking',
  'timetable',
  'stores',
  'reading',
  'format',
]

/** Imports that point downward and are still not wanted. */
const extra = [
  {
    name: 'ui-has-no-server',
    severity: 'error',
    from: { path: '^src/(ui|workers)', pathNot: '\\.test\\.' },
    to: { path: '^src/(server|data|demo)' },
  },
  { name: 'app-leaves-sql-to-data', severity: 'error', from: { path: '^src/app' }, to: { path: '^src/data' } },
  {
    name: 'core-knows-no-interface-or-database',
    severity: 'error',
    from: { path: '^src/core' },
    to: { path: '^node_modules/(react|next|sequelize|mariadb|bootstrap|react-bootstrap|recharts|iron-session)' },
  },
  { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
]

module.exports = {
  forbidden: [
    ...layers.map((layer, index) => ({
      name: `${layer}-imports-only-downward`,
      severity: 'error',
      from: { path: `^src/${layer}/` },
      to: { path: `^src/(${layers.slice(index + 1).join('|') || 'nothing'})/` },
    })),
    ...floors.map((floor, index) => ({
      name: `core-${floor}-stands-on-what-is-below`,
      severity: 'error',
      from: { path: `^src/core/${floor}/`, pathNot: '\\.test\\.ts$' },
      to: { path: `^src/core/(${floors.slice(index + 1).join('|') || 'nothing'})/` },
    })),
    {
      name: 'core-folder-without-a-floor',
      severity: 'error',
      from: { path: '^src/core/', pathNot: `^src/core/(${floors.join('|')})/` },
      to: {},
    },
    ...extra,
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.json'] },
  },
}
