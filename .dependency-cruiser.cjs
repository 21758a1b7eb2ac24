/** Which way imports may point. The core knows nothing of screens, storage or files; nothing reaches back. */
const only = (name, comment, from, to) => ({ name, comment, severity: 'error', from, to });
const TESTS = '\\.test\\.tsx?$';

/** The stages of the core in the order in which data walks. No stage imports a later one, types included. */
const STAGES = [
  'ground',
  'given',
  'decisions',
  'part',
  'build',
  'cabinet',
  'motions',
  'kinds',
  'check',
  'solve',
  'present',
  'shop',
  'commands',
];
const noStageReachesAhead = STAGES.map((stage, at) =>
  only(
    `${stage}-looks-back-only`,
    `Stages of the core stand in the order in which data walks: ${stage} knows none after it, types included.`,
    { path: `^src/core/${stage}/`, pathNot: TESTS },
    { path: `^src/core/(?!(${STAGES.slice(0, at + 1).join('|')})/)` },
  ),
);

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
      'The library of solids is known to src/core/part/solids alone.',
      { path: '^src/', pathNot: '^src/core/part/solids/' },
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
      'no-circles-in-the-core',
      'Modules of the core form no circles, types included.',
      { path: '^src/core/' },
      { circular: true },
    ),
    only(
      'no-circles',
      'Modules form no circles at run time.',
      {},
      { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    ),
    ...noStageReachesAhead,
    only(
      'core-is-stages',
      'Everything in the core stands in one of its stages.',
      { path: `^src/core/(?!(${STAGES.join('|')})/)` },
      {},
    ),
    only(
      'stages-have-doors',
      'A stage is entered by its index, or by the index of one of its rooms.',
      { path: '^(src|cli)/', pathNot: `^src/core/|${TESTS}` },
      { path: '^src/core/', pathNot: '/index\\.ts$' },
    ),
    only(
      'stages-have-doors-for-each-other',
      'A stage of the core is entered by its index, or by the index of one of its rooms.',
      { path: '^src/core/([^/]+)/', pathNot: TESTS },
      { path: '^src/core/', pathNot: ['^src/core/$1/', '/index\\.ts$'] },
    ),
    only(
      'rooms-have-doors',
      'A room of a stage is entered by its index.',
      { path: '^src/core/([^/]+)/([^/]+)/', pathNot: TESTS },
      { path: '^src/core/$1/[^/]+/', pathNot: ['^src/core/$1/$2/', '/index\\.ts$'] },
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
