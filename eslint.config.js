import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import ts from 'typescript-eslint'

// The floors of the house, from the ground up: a room uses only rooms named before it.
const CORE = ['measure', 'records', 'rules', 'anatomy', 'carcass', 'plan', 'ledger', 'forecast']
const FLOORS = {
  contracts: { below: CORE.map((r) => `#core/${r}`) },
  paper: { below: [...CORE.map((r) => `#core/${r}`)] },
  demo: { below: [...CORE.map((r) => `#core/${r}`), '#contracts'] },
  server: { below: [...CORE.map((r) => `#core/${r}`), '#contracts', '#paper', '#demo'] },
  web: { below: [...CORE.map((r) => `#core/${r}`), '#contracts'] },
}
const ROOMS = [...CORE.map((r) => `#core/${r}`), '#contracts', '#paper', '#demo']
const OUTSIDE = [
  'vue',
  'vue-router',
  'pinia',
  'primevue',
  'primevue/*',
  'express',
  '@electric-sql/*',
  'echarts',
  'echarts/*',
  'node:*',
]

const floor = (files, below, outside = []) => ({
  files,
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        paths: ROOMS.filter((r) => !below.includes(r)).map((name) => ({
          name,
          message: 'A room uses only rooms below it.',
        })),
        patterns: [
          {
            group: [
              '../../*/**',
              '!../../pieces/**',
              '!../../state/**',
              '!../../theme/**',
              '!../../frame/**',
            ],
            message: 'Other rooms are entered by their face: #core/ROOM, #contracts, #paper.',
          },
          ...(outside.length > 0
            ? [{ group: outside, message: 'The core knows no interface, server or database.' }]
            : []),
        ],
      },
    ],
  },
})

export default ts.config(
  { ignores: ['dist/', './data/', 'node_modules/'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    languageOptions: {
      globals: { ...globals.browser, ...globals.node },
      parserOptions: { parser: ts.parser },
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
    },
  },
  ...CORE.map((room, i) =>
    floor(
      [`core/${room}/**/*.ts`],
      CORE.slice(0, i).map((r) => `#core/${r}`),
      OUTSIDE,
    ),
  ),
  ...Object.entries(FLOORS).map(([room, { below }]) => floor([`${room}/**/*.{ts,vue}`], below)),
  prettier,
)
