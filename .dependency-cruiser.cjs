/** Who may import whom. docs/architecture.md says the same in words. */
const never = (name, from, to, comment) => ({
  name,
  severity: 'error',
  comment,
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to,
});

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      comment: 'Type-only imports count too.',
      from: {},
      to: { circular: true },
    },
    never(
      'core-is-pure',
      '^src/core',
      { path: '^src/(?!core)' },
      'The core knows nothing of database, services or interface.',
    ),
    never(
      'core-packages',
      '^src/core',
      { dependencyTypes: ['npm', 'core'], pathNot: 'node_modules/(@stdlib|pure-rand|immutable-json-patch)/' },
      'Only pure computation packages on this short list.',
    ),
    never('core-shared-is-ground', '^src/core/shared', { path: '^src/core/(?!shared)' }),
    never('core-statistics-is-ground', '^src/core/statistics', { path: '^src/core/(?!shared|statistics)' }),
    never('core-graph-is-ground', '^src/core/graph', { path: '^src/core/(?!shared|graph)' }),
    never('core-procedure', '^src/core/procedure', { path: '^src/core/(?!shared|statistics|procedure)' }),
    never('core-grading', '^src/core/grading', { path: '^src/core/(?!shared|statistics|procedure|findings|grading)' }),
    never('core-battery', '^src/core/battery', { path: '^src/core/(?!shared|statistics|battery)' }),
    never('core-self-test', '^src/core/selfTest', {
      path: '^src/core/(?!shared|statistics|procedure|findings|grading|selfTest)',
    }),
    never('core-agreement', '^src/core/agreement', {
      path: '^src/core/(?!shared|statistics|procedure|findings|grading|agreement)',
    }),
    never('core-schools', '^src/core/schools', { path: '^src/core/(?!shared|procedure|schools)' }),
    never('core-teardown', '^src/core/(teardown|screws)', {
      path: '^src/core/(?!shared|graph|statistics|procedure|findings|grading|schools|screws|teardown)',
    }),
    never('core-drafting', '^src/core/(drafting|library)', {
      path: '^src/core/(?!shared|procedure|screws|drafting|library)',
    }),
    never('core-opening', '^src/core/opening', { path: '^src/core/(?!shared|procedure|drafting|opening)' }),
    never('core-rehearsal', '^src/core/rehearsal', {
      path: '^src/core/(?!shared|procedure|screws|teardown|shop|rehearsal)',
    }),
    never('core-heat', '^src/core/heat', { path: '^src/core/(?!shared|procedure|heat)' }),
    never('core-simulation', '^src/core/simulation', {
      path: '^src/core/(?!shared|statistics|procedure|findings|teardown|simulation)',
    }),
    never('core-entities', '^src/core/entities', {
      path: '^src/core/(?!shared|procedure|findings|battery|grading|screws|teardown|entities)',
    }),
    never('core-findings', '^src/core/findings', { path: '^src/core/(?!shared|procedure|findings)' }),
    never('core-match-plan', '^src/core/matchPlan', { path: '^src/core/(?!shared|matchPlan)' }),
    never('core-sale', '^src/core/sale', {
      path: '^src/core/(?!shared|statistics|procedure|grading|entities|findings|sale)',
    }),
    never('core-sheet', '^src/core/sheet', {
      path: '^src/core/(shop|rehearsal|matching|triage|yields|flow|shelf|intake|people|simulation)',
    }),
    never('core-shop', '^src/core/shop', {
      path: '^src/core/(rehearsal|matching|triage|yields|flow|shelf|intake|simulation)',
    }),
    never('data-looks-down', '^src/data', { path: '^src/(?!core|data)' }),
    never('words-look-down', '^src/words', { path: '^src/(?!core|words)' }),
    never('files-look-down', '^src/files', { path: '^src/(?!core|words|files)' }),
    never('dto-looks-down', '^src/dto', { path: '^src/(?!core|dto)' }),
    never('workers-look-down', '^src/workers/(?!documents|match)', { path: '^src/(?!core|workers)' }),
    never('threads-look-down', '^src/workers/(documents|match)', {
      path: '^src/(?!core|files|workers/(documents|match))',
    }),
    never('services-look-down', '^src/services', { path: '^src/(ui|app|dto)' }),
    never(
      'services-stand-alone',
      '^src/services/([^/]+/[^/]+)\\.ts$',
      { path: '^src/services/', pathNot: '^src/services/$1' },
      'One use case does not call another.',
    ),
    never(
      'ui-runs-in-the-browser',
      '^src/ui',
      { path: '^src/(data|services|dto|files|app)', dependencyTypesNot: ['type-only'] },
      'Of the server, the interface knows types only.',
    ),
    never('knex-in-data', '^src/(?!data|services)', {
      path: 'node_modules/(knex|mariadb)/',
      dependencyTypesNot: ['type-only'],
    }),
    never('knex-types-in-services', '^src/services', {
      path: 'node_modules/(knex|mariadb)/',
      dependencyTypesNot: ['type-only'],
    }),
    never('validator-in-dto', '^src/(?!dto)', { path: 'node_modules/class-(validator|transformer)/' }),
    never('theme-is-ground', '^src/ui/theme', { path: '^src/ui/(?!theme)' }),
    never('base-is-ground', '^src/ui/base', { path: '^src/ui/(?!base|theme)' }),
    {
      name: 'no-orphans',
      severity: 'error',
      from: { orphan: true, path: '^src', pathNot: '\\.(d|test)\\.ts$|^src/app/|^src/proxy\\.ts$' },
      to: {},
    },
    {
      name: 'no-tests-in-code',
      severity: 'error',
      from: { path: '^src', pathNot: '\\.test\\.tsx?$' },
      to: { path: '\\.test\\.tsx?$|^tests/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default'] },
  },
};
