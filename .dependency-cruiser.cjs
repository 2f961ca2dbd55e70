// The layers, lowest first. A layer may import from itself and from those before it, never from those after it.
const layers = ['core', 'reference', 'demo', 'devices', 'data', 'server', 'workers', 'ui', 'app']

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
  { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
]

module.exports = {
  forbidden: [
    ...layers.map((layer, index) => ({
      name: `${layer}-imports-only-downward`,
      severity: 'error',
      from: { path: `^src/${layer}/` },
      to: { path: `^src/(${layers.slice(index + 1).join('|') || 'nothing'})/` },
    })),
    ...extra,
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.json'] },
  },
}
