import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import ts from 'typescript-eslint'

/** Scripts of pages by themselves (scripts/vueScripts.mjs): read for what needs types, and for nothing else. */
const PAGE_SCRIPTS = '.vue-scripts/**'

export default ts.config(
  { ignores: ['dist/', './data/', 'node_modules/'] },
  {
    ignores: [PAGE_SCRIPTS],
    extends: [js.configs.recommended, ...ts.configs.strict, ...vue.configs['flat/recommended']],
    languageOptions: {
      globals: { ...globals.browser, ...globals.node },
      parserOptions: { parser: ts.parser, lib: ['es2023', 'dom'] },
    },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      '@typescript-eslint/no-dynamic-delete': 'off',
      '@typescript-eslint/no-invalid-void-type': 'off',
      'no-restricted-syntax': [
        'error',
        { selector: 'TSEnumDeclaration', message: 'Use a union of literals.' },
      ],
      'vue/require-default-prop': 'off',
      // But for a bare `if (ref)` the type check finds the same; this rule took a quarter of the whole lint.
      'vue/no-ref-as-operand': 'off',
      // A switch over a union that names every case returns in each: the type check knows, this rule does not.
      'vue/return-in-computed-property': 'off',
    },
  },
  {
    // Promises are waited for or let go in so many words; a switch over a union names every case.
    files: ['**/*.ts'],
    ignores: ['vitest.config.ts'],
    plugins: { '@typescript-eslint': ts.plugin },
    languageOptions: {
      parser: ts.parser,
      parserOptions: { project: 'tsconfig.lint.json', tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: false },
      ],
    },
  },
  {
    // The core takes the time and its chances from whoever calls it: same input, same output.
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Time is passed in.' },
        { object: 'Math', property: 'random', message: 'A seeded generator is passed in.' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: 'TSEnumDeclaration', message: 'Use a union of literals.' },
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Time is passed in.' },
      ],
      'no-restricted-globals': ['error', 'process', 'performance', 'fetch', 'setTimeout', 'crypto'],
    },
  },
  prettier,
)
