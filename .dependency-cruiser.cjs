/** Which way imports may point. The core knows nothing of screens, storage or files; nothing reaches back. */
const only = (name, comment, from, to) => ({ name, comment, severity: 'error', from, to });
const TESTS = '\\.test\\.tsx?$';

module.exports = {
  forbidden: [
    only(
      'core-stands-alone',
      'The core imports only the core, and of packages only zod and immer; solids their library besides.',
      { path: '^src/core/', pathNot: TESTS },
      { pathNot: ['^src/core/', '^node_modules/(zod|immer|manifold-3d)/'] },
    ),
    only(
      'solids-in-one-place',
      'The library of solids is known to src/core/solids alone.',
      { path: '^src/', pathNot: '^src/core/solids/' },
      { path: '^node_modules/manifold-3d/' },
    ),
    only(
      'formats-draw-the-core',
      'Formats import the core and packages.',
      { path: '^src/formats/', pathNot: TESTS },
      { path: '^src/(server|pages|islands|layouts)/' },
    ),
    only(
      'server-has-no-screens',
      'The server imports core and formats.',
      { path: '^src/server/' },
      { path: '^src/(islands|pages|layouts|host)/' },
    ),
    only(
      'islands-never-import-server',
      'A screen talks to the server over its endpoints.',
      { path: '^src/islands/' },
      { path: ['^src/(server|pages)/', '^node_modules/better-sqlite3'] },
    ),
    only(
      'workers-answer-from-the-core',
      'A worker imports the core.',
      { path: '^src/workers/', pathNot: TESTS },
      { path: '^src/(server|pages|islands|layouts|formats)/' },
    ),
    only(
      'cli-needs-no-server',
      'The command line is the core and formats.',
      { path: '^cli/', pathNot: TESTS },
      { path: '^src/(server|pages|islands)/' },
    ),
    only(
      'no-test-code-in-the-app',
      'Only tests and benches import test support.',
      { path: '^(src|cli)/', pathNot: TESTS },
      { path: '^tests/' },
    ),
    only(
      'no-circles',
      'Modules form no circles at run time.',
      {},
      { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    ),
    only(
      'units-and-derive-are-the-floor',
      'Nothing stands below units and derive.',
      { path: '^src/core/(units|derive)/', pathNot: TESTS },
      { path: '^src/core/(?!units/|derive/)' },
    ),
    only(
      'no-deep-imports',
      'A folder of the core is entered by its index.',
      { path: '^src/core/([^/]+)/', pathNot: TESTS },
      { path: '^src/core/[^/]+/(?!index\\.ts)', pathNot: '^src/core/$1/' },
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js'],
    },
  },
};
