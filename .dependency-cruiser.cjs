/** Who may import whom; see docs/architecture.md. */
const only = (name, from, allowed, comment) => ({
  name,
  comment,
  severity: 'error',
  from: { path: from },
  to: { path: '^(core|server|web|demo|cli|bench|e2e|scripts)/', pathNot: allowed },
});
const layer = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.ts$' },
  to: { path: to },
});
const coreMiddle = '^core/src/(types|scan|cabinet|rules|find|usage|sort|host)/';
/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    { name: 'not-to-unresolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
    {
      name: 'no-index-in-core',
      comment: 'nothing in core imports its index',
      severity: 'error',
      from: { path: '^core/src/' },
      to: { path: '^core/src/index\\.ts$' },
    },
    only('core-imports-nothing', '^core/', '^core/'),
    only('server', '^server/', '^(core|server)/'),
    only('web', '^web/', '^(core|web)/'),
    only('demo', '^demo/', '^(core|demo)/'),
    only('cli', '^cli/', '^(core/|cli/|server/src/scanner/)'),
    only('e2e', '^e2e/', '^(e2e/|demo/|server/src/main\\.ts|core/)'),
    only('bench', '^bench/', '^(bench/|demo/|server/src/(main\\.ts|scanner/)|core/)'),
    layer(
      'core-formats',
      '^core/src/formats/',
      '^core/src/(catalog|types|scan|cabinet|rules|find|usage|sort|host|history|api)',
    ),
    layer(
      'core-catalog',
      '^core/src/catalog/',
      '^core/src/(types|scan|cabinet|rules|find|usage|sort|host|history|api)',
    ),
    layer('core-middle', coreMiddle, '^core/src/(history|api)'),
    layer(
      'server-database',
      '^server/src/(database|scanner|jobs)/',
      '^server/src/(usecases|http|host|app|main)',
    ),
    layer('server-usecases', '^server/src/(usecases|host)/', '^server/src/(http|app|main)'),
    layer('server-http', '^server/src/http/', '^server/src/(database|scanner|app|main)'),
    {
      name: 'web-features-apart',
      severity: 'error',
      from: { path: '^web/src/(scan|sort|file|rule|load|plugin)/' },
      to: { path: '^web/src/(scan|sort|file|rule|load|plugin)/', pathNot: '^web/src/$1/' },
    },
    {
      name: 'web-ui-knows-no-domain',
      severity: 'error',
      from: { path: '^web/src/ui/' },
      to: { path: '^(core/|web/src/(api|app|said|scan|sort|file|rule|load|plugin)/)' },
    },
    {
      name: 'no-tests-imported',
      severity: 'error',
      from: { pathNot: '\\.(test|spec)\\.ts$' },
      to: { path: '\\.(test|spec)\\.ts$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.css', '.d.ts'],
    },
    exclude: { path: '(^|/)dist/' },
  },
};
