/** One direction: core ◄ contract ◄ server, web, cli. See docs/architecture.md. */
const forbid = (name, comment, from, to) => ({ name, comment, severity: 'error', from, to });
module.exports = {
  forbidden: [
    forbid('no-cycles', 'A cycle means two modules are one.', {}, { circular: true }),
    forbid(
      'core-imports-nothing',
      'core is pure: no other package, no library, no Node.',
      { path: '^core/src', pathNot: '(\\.test\\.ts$|/fixtures/)' },
      { pathNot: '^core/src' },
    ),
    forbid(
      'contract-on-core-only',
      'contract may use core, Ajv and TypeBox.',
      { path: '^contract/src', pathNot: '\\.test\\.ts$' },
      { path: '^(server|web|cli|demo|e2e|bench)/' },
    ),
    forbid(
      'web-not-server',
      'The browser reaches the server over HTTP.',
      { path: '^web/src' },
      { path: '^(server|cli|demo)/' },
    ),
    forbid(
      'server-not-web',
      'The server serves the built web as files.',
      { path: '^server/src' },
      { path: '^(web|cli)/' },
    ),
    forbid(
      'cli-not-server',
      'The command line works on files alone.',
      { path: '^cli/src', pathNot: '\\.test\\.ts$' },
      { path: '^(server|web|demo)/' },
    ),
    forbid(
      'web-feature-islands',
      'A page joins features; a feature imports no other.',
      { path: '^web/src/features/([^/]+)/' },
      { path: '^web/src/features/', pathNot: '^web/src/features/$1/' },
    ),
    forbid(
      'server-feature-islands',
      'main joins features; a feature imports no other.',
      { path: '^server/src/features/([^/]+)/', pathNot: '\\.test\\.ts$' },
      { path: '^server/src/features/', pathNot: '^server/src/features/$1/' },
    ),
    forbid(
      'web-ui-knows-no-domain',
      'ui holds plain widgets.',
      { path: '^web/src/ui/' },
      { path: '^web/src/(features|pages|api)/' },
    ),
    forbid(
      'kernel-alone',
      'The conduction kernel knows nothing but itself.',
      { path: '^core/src/conduction/', pathNot: '\\.test\\.ts$' },
      { pathNot: '^core/src/conduction/' },
    ),
    forbid(
      'heat-not-route',
      'A route asks the heat model by an argument; the model never asks a route.',
      { path: '^core/src/(heat|conduction)/', pathNot: '\\.test\\.ts$' },
      { path: '^core/src/route/' },
    ),
    forbid(
      'core-front-doors',
      'Modules of core meet through their index.',
      { path: '^core/src/([^/]+)/' },
      { path: '^core/src/', pathNot: ['^core/src/$1/', '^core/src/[^/]+/index\\.ts$'] },
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '/dist/' }, // what was built is no source
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs'],
    },
  },
};
