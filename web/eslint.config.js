import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

export default ts.config(
  { ignores: ['src/shared/api/generated/**', 'node_modules/**', 'test-results/**'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/no-v-html': 'off',
      'vue/no-restricted-syntax': [
        'error',
        {
          selector:
            "VStartTag:has(VAttribute[directive=true][key.name.name='for']) > VAttribute[directive=false][key.name='ref']",
          message:
            'References in a loop have no order of the screen: bind to the thing itself (KeyCap, $event.currentTarget).',
        },
        {
          selector: "VElement[name='span'] > VStartTag > VAttribute[key.name='class'] > VLiteral[value=/\\bkeycap\\b/]",
          message: 'KeyCap draws a key and binds it to what it stands in.',
        },
      ],
    },
  },
  {
    // The one that draws them; the list of keys; words that name a key.
    files: ['src/shared/ui/KeyCap.vue', 'src/app/KeysOverlay.vue', 'src/app/NotFoundPage.vue'],
    rules: { 'vue/no-restricted-syntax': 'off' },
  },
  {
    files: ['src/**/*.{ts,vue}'],
    ignores: ['src/shared/state/loadAnew.ts', '**/*.spec.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        {
          property: 'invalidateQueries',
          message: 'loadAnew: it also asks again for what is loading for the first time.',
        },
        { property: 'setQueryData', message: 'takeAnswer: an older load must not take its place.' },
      ],
    },
  },
)
