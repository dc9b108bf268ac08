import angular from 'angular-eslint';
import boundaries from 'eslint-plugin-boundaries';
import regexp from 'eslint-plugin-regexp';
import tseslint from 'typescript-eslint';

/** Folders of the core from the ground up: each may import the faces of those before it, never those after. */
const CORE = [
  'memory',
  'chance',
  'paths',
  'schemas',
  'sentences',
  'music',
  'song',
  'harmony',
  'takes',
  'parts',
  'suggesting',
  'rhythm',
  'hands',
  'levels',
  'voicing',
  'patterns',
  'shaping',
  'fuller',
  'own',
  'joining',
  'fills',
  'fingering',
  'effort',
  'performance',
  'arrangement',
  'framing',
  'practice',
  'listening',
  'words',
  'formats',
  'sheets',
  'arrange',
];
const FACES = CORE.map((folder) => `face-${folder}`);

/** Folders of the application from the ground up; a bench is an element of its own and knows no other. */
const APP = [
  'ui',
  'storage',
  'state',
  'workers',
  'effects',
  'sound',
  'keyboard',
  'notation',
  'input',
  'frame',
];
const BENCHES = ['tune', 'parts', 'chords', 'join', 'fills', 'practise', 'handout'];
const VIEWS = ['shelf', 'settings', 'chord-room'];

/**
 * Who may import what, place by place. Each place is told only its own lines: with all of them read for every import,
 * this rule alone took a third of the time of lint.
 */
const SPECS = ['**/*.spec.ts'];
const PLACES = [
  // Nobody reaches past a folder's face, its index.ts.
  ...CORE.flatMap((folder, i) => [
    {
      files: [`core/${folder}/**/*.ts`],
      ignores: [...SPECS, `core/${folder}/index.ts`],
      from: `core-${folder}`,
      allow: [`core-${folder}`, ...CORE.slice(0, i).map((lower) => `face-${lower}`)],
    },
    { files: [`core/${folder}/index.ts`], from: `face-${folder}`, allow: [`core-${folder}`] },
  ]),
  {
    files: ['core/testing.ts', 'core/**/*.spec.ts'],
    from: 'core-testing',
    allow: ['core-*', 'face-*', 'demo'],
  },
  { files: ['demo/**/*.ts'], from: 'demo', allow: ['demo', ...FACES] },
  ...APP.map((folder, i) => ({
    files: [`app/src/app/${folder}/**/*.ts`],
    ignores: SPECS,
    from: `app-${folder}`,
    allow: [...APP.slice(0, i + 1).map((lower) => `app-${lower}`), ...FACES],
  })),
  ...[
    ...BENCHES.map((bench) => [`app/src/app/benches/${bench}`, `bench-${bench}`]),
    ...VIEWS.map((view) => [`app/src/app/${view}`, `app-${view}`]),
  ].map(([folder, own]) => ({
    files: [`${folder}/**/*.ts`],
    ignores: [...SPECS, `${folder}/testing/**`],
    from: own,
    allow: [own, ...APP.map((lower) => `app-${lower}`), ...FACES],
  })),
  {
    files: ['app/**/*.spec.ts', 'app/src/app/benches/*/testing/**/*.ts'],
    from: 'app-spec',
    allow: ['app', 'app-*', 'bench-*', 'core-testing', ...FACES, 'demo'],
  },
  {
    files: ['app/**/*.ts'],
    ignores: [
      ...SPECS,
      'app/src/app/benches/{' + BENCHES.join() + '}/**',
      'app/src/app/{' + [...APP, ...VIEWS].join() + '}/**',
    ],
    from: 'app',
    allow: ['app', 'app-*', ...FACES],
  },
  { files: ['server/**/*.ts'], from: 'server', allow: ['server'] },
  {
    // What is measured is what the application hears with.
    files: ['tools/bench*.ts'],
    from: 'benches',
    allow: ['benches', 'tools', 'demo', 'core-*', 'face-*', 'server', 'app-input', 'app-notation'],
  },
  {
    files: ['tools/**/*.ts', 'e2e/**/*.ts', '*.ts'],
    ignores: ['tools/bench*.ts'],
    from: 'tools',
    allow: ['tools', 'benches', 'demo', 'core-testing', ...FACES, 'server', 'app', 'app-notation'],
  },
];

export default tseslint.config(
  {
    ignores: [
      'dist',
      'out',
      'node_modules',
      '.angular',
      '.cache',
      '**/node_modules',
      'test-results',
      'playwright-report',
      '.shot*',
    ],
  },
  ...tseslint.configs.strict,
  {
    files: ['**/*.ts'],
    plugins: { boundaries },
    settings: {
      'import/resolver': { node: { extensions: ['.ts', '.mjs', '.js'] } },
      'boundaries/elements': [
        { type: 'app-spec', pattern: ['app/**/*.spec.ts', 'app/src/app/benches/*/testing/**'], mode: 'full' },
        { type: 'core-testing', pattern: ['core/testing.ts', 'core/**/*.spec.ts'], mode: 'full' },
        ...CORE.map((folder) => ({
          type: `face-${folder}`,
          pattern: `core/${folder}/index.ts`,
          mode: 'full',
        })),
        ...CORE.map((folder) => ({ type: `core-${folder}`, pattern: `core/${folder}/**`, mode: 'full' })),
        { type: 'demo', pattern: 'demo/**', mode: 'full' },
        ...BENCHES.map((bench) => ({
          type: `bench-${bench}`,
          pattern: `app/src/app/benches/${bench}/**`,
          mode: 'full',
        })),
        ...[...APP, ...VIEWS].map((folder) => ({
          type: `app-${folder}`,
          pattern: `app/src/app/${folder}/**`,
          mode: 'full',
        })),
        { type: 'app', pattern: 'app/**', mode: 'full' },
        { type: 'server', pattern: 'server/**', mode: 'full' },
        { type: 'benches', pattern: 'tools/bench*.ts', mode: 'full' },
        { type: 'tools', pattern: ['tools/**', 'e2e/**', '*.ts'], mode: 'full' },
      ],
    },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/explicit-function-return-type': 'off',
      '@typescript-eslint/no-extraneous-class': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-invalid-void-type': 'off',
      eqeqeq: 'error',
      'no-restricted-globals': ['error', { name: 'alert' }, { name: 'confirm' }],
      'max-lines': ['error', { max: 350, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    // No expression may take longer than the text is long: texts come from files.
    files: ['core/**/*.ts', 'app/**/*.ts', 'server/**/*.ts'],
    ignores: SPECS,
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }],
    },
  },
  {
    files: ['core/**/*.ts', 'app/**/*.ts'],
    ignores: SPECS,
    rules: {
      // Codes are compared, never sentences: words are made of codes and nowhere read again.
      'no-restricted-syntax': [
        'error',
        ...[
          'BinaryExpression[operator=/^[!=]==$/] > Literal[value=/[a-z] [a-z]/]',
          'SwitchCase > Literal[value=/[a-z] [a-z]/]',
          'TSLiteralType > Literal[value=/[a-z] [a-z]/]',
          'CallExpression[callee.property.name=/^(includes|startsWith|endsWith|indexOf|has|get|split)$/] > Literal[value=/[a-z] [a-z]/]',
        ].map((selector) => ({
          selector,
          message: 'A sentence is compared: use a code (two-notes), and word it in sentences/ or words/.',
        })),
      ],
    },
  },
  ...PLACES.map(({ files, ignores = [], from, allow }) => ({
    files,
    ignores,
    rules: {
      'boundaries/element-types': ['error', { default: 'disallow', rules: [{ from: [from], allow }] }],
    },
  })),
  {
    // The core runs in browsers, workers and Node alike: it may know none of them.
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.spec.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: ['node:*', '@angular/*', '@ngrx/*', 'tone', 'verovio', 'dexie'] },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'fetch',
        'localStorage',
        'setTimeout',
      ],
    },
  },
  {
    files: ['app/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
  },
  { files: ['app/**/*.html'], extends: [...angular.configs.templateRecommended] },
);
