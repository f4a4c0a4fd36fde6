import tseslint from 'typescript-eslint'

/** Rules that the compiler does not check. */
export default tseslint.config(
  { ignores: ['**/node_modules/**', 'dist/**', '.build/**', '.data/**'] },
  {
    files: ['**/*.{ts,tsx}'],
    extends: [tseslint.configs.recommended],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-redeclare': 'off',
      'no-restricted-exports': ['error', { restrictDefaultExports: { direct: true } }],
      'max-lines': ['error', { max: 400 }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'no-console': 'error',
    },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/testing.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'crypto', 'performance', 'setTimeout', 'setInterval'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The core never reads the clock: take `now`.' },
        { object: 'Math', property: 'random', message: 'The core knows no chance: take a seeded source.' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'The core never reads the clock: take `now`.' },
      ],
    },
  },
  {
    files: ['{packages/*,demo,bench}/src/**/*.{ts,tsx}', 'standins/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', '**/testing/**'],
    rules: { 'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }] },
  },
  // Components and lists of routes are markup and wiring more than work: looser.
  {
    files: [
      'packages/web/src/**/*.tsx',
      'packages/server/src/**/routes.ts',
      'packages/web/src/**/*Actions.ts',
      'packages/web/src/**/use*.ts',
      'bench/src/**/*.ts',
      'standins/**/client/*.ts',
    ],
    rules: { 'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }] },
  },
  {
    files: ['**/*.test.ts', '**/*.spec.ts', '**/testing/**', 'e2e/**', 'vite.config.ts', 'vitest*.config.ts'],
    rules: { '@typescript-eslint/no-explicit-any': 'off', 'no-restricted-exports': 'off', 'no-console': 'off' },
  },
  {
    files: [
      ...['bench/**', 'demo/src/drawings/**', 'packages/recorder/src/background/**'],
      ...['events/keptEvents.ts', 'clips/putInOrder.ts', 'quizzes/taking/replies/keptReplies.ts'].map((file) => `packages/web/src/${file}`),
    ],
    rules: { 'no-console': 'off' },
  },
)
