/** The six floors: each imports only from those below, and from core only by its face. */
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
    below('core-knows-nobody', '^src/core', '^src/(web|server|words|answers|contract)', 'Core imports from no other floor.'),
    below('contract-above-core', '^src/contract', '^src/(web|server|words|answers)', 'Contract knows core only.'),
    below('answers-above-contract', '^src/answers', '^src/(web|server|words)', 'Answers know contract and core.'),
    below('words-above-answers', '^src/words', '^src/(web|server)', 'Words know answers, contract and core.'),
    below('web-not-server', '^src/web', '^src/server', 'Web and server meet only over the wire.'),
    below('server-not-web', '^src/server', '^src/web', 'Web and server meet only over the wire.'),
    {
      name: 'core-by-its-face',
      severity: 'error',
      comment: 'Import from src/core, not from a file within.',
      from: { path: '^src/(web|server|words|answers|contract)' },
      to: { path: '^src/core/', pathNot: '^src/core/index\\.ts$' }
    },
    ...['contract', 'answers', 'words'].map((floor) => ({
      name: `${floor}-by-its-face`,
      severity: 'error',
      from: { path: '^src/', pathNot: `^src/${floor}/` },
      // A screen takes its own page of words: it loads with the screen.
      to: { path: `^src/${floor}/`, pathNot: `^src/${floor}/(index|(screens|refusals)/[^/]+)\\.ts$` }
    })),
    {
      name: 'answers-are-pure',
      severity: 'error',
      comment: 'No React, DOM or Node: the window, the worker and the server ask the same.',
      from: { path: '^src/(answers|words)', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core', 'npm'], pathNot: 'node_modules/(@types/)?(date-fns|@date-fns)/' }
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'No React, DOM, Node, Express or Sequelize in core; dates, CSV, calendars and the error function are pure.',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core', 'npm'], pathNot: 'node_modules/(@types/)?(date-fns|@date-fns|papaparse|simple-statistics|ical\\.js)/' }
    },
    {
      name: 'truth-stands-alone',
      severity: 'error',
      comment: 'The other generator knows nothing of the forecast: it shares arithmetic with it at most.',
      from: { path: '^src/core/truth', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/(?!truth|units/)' }
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
      from: { orphan: true, pathNot: '(\\.(test|d)\\.ts|src/web/main\\.tsx|src/server/(main|calendarThread)\\.ts)$' },
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
