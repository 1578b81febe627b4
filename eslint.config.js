import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

/** What stands in the templates of pages; their scripts, and every other file, are read by a linter that needs no program for it. */
export default ts.config(
  { ignores: ['dist/', './data/', 'node_modules/', '.vue-scripts/'] },
  {
    files: ['web/**/*.vue'],
    extends: [...vue.configs['flat/essential']],
    languageOptions: { parserOptions: { parser: ts.parser } },
    rules: {
      'vue/attributes-order': 'error',
      'vue/no-lone-template': 'error',
      'vue/no-template-shadow': 'error',
      'vue/no-v-html': 'error',
      'vue/require-explicit-emits': 'error',
      'vue/this-in-template': 'error',
      // But for a bare `if (ref)` the type check finds the same; this rule took a quarter of the whole lint.
      'vue/no-ref-as-operand': 'off',
      // A switch over a union that names every case returns in each: the type check knows, this rule does not.
      'vue/return-in-computed-property': 'off',
    },
  },
)
