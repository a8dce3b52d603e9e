import withNuxt from './.nuxt/eslint.config.mjs'

export default withNuxt(
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
      'vue/require-default-prop': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    files: ['server/**/*.ts'],
    ignores: ['**/*.test.ts', 'server/db/door.ts', 'server/db/pool.ts'],
    rules: {
      // A household's rows are reached through the door alone.
      'no-restricted-imports': [
        'error',
        {
          paths: [
            { name: 'pg', message: 'Ask server/db/door.ts for a transaction.', allowTypeImports: true },
            { name: 'drizzle-orm/node-postgres', message: 'Ask server/db/door.ts for a transaction.' },
          ],
          patterns: [{ group: ['**/db/pool'], message: 'Only server/db/door.ts takes connections.' }],
        },
      ],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      // core has no clock, no randomness and no world outside but what is passed in.
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'localStorage', 'console'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random' },
        { object: 'Date', property: 'now' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Pass the time in.' },
      ],
    },
  },
)
