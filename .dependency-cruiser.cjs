/** The four floors: each imports only from those below, and from core only by its face. */
const below = (name, from, to, comment) => ({ name, severity: 'error', comment, from: { path: from }, to: { path: to } })

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      comment: 'A circle has no floor.',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } }
    },
    below('core-knows-nobody', '^src/core', '^src/(web|server|contract)', 'Core imports from no other floor.'),
    below('contract-below-faces', '^src/contract', '^src/(web|server)', 'Contract knows core only.'),
    below('web-not-server', '^src/web', '^src/server', 'Web and server meet only over the wire.'),
    below('server-not-web', '^src/server', '^src/web', 'Web and server meet only over the wire.'),
    {
      name: 'core-by-its-face',
      severity: 'error',
      comment: 'Import from src/core, not from a file within.',
      from: { path: '^src/(web|server|contract)' },
      to: { path: '^src/core/', pathNot: '^src/core/index\\.ts$' }
    },
    {
      name: 'contract-by-its-face',
      severity: 'error',
      from: { path: '^src/(web|server)' },
      to: { path: '^src/contract/', pathNot: '^src/contract/index\\.ts$' }
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'No React, DOM, Node, Express or Sequelize in core; dates, CSV and calendars are pure.',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core', 'npm'], pathNot: 'node_modules/(@types/)?(date-fns|@date-fns|papaparse|ical\\.js)/' }
    },
    {
      name: 'truth-stands-alone',
      severity: 'error',
      comment: 'The other generator knows nothing of the forecast.',
      from: { path: '^src/core/truth', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/(?!truth)' }
    },
    {
      name: 'views-apart',
      severity: 'error',
      comment: 'What two views need moves to parts.',
      from: { path: '^src/web/views/([^/]+)/' },
      to: { path: '^src/web/views/', pathNot: '^src/web/views/$1/' }
    },
    {
      name: 'no-orphans',
      severity: 'error',
      comment: 'Nobody uses this file.',
      from: { orphan: true, pathNot: '(\\.(test|d)\\.ts|src/web/main\\.tsx|src/server/main\\.ts)$' },
      to: {}
    },
    { name: 'no-unresolvable', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: '\\.(css|svg)$' } }
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] }
  }
}
