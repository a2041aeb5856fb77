// ESLint 10 asks for Object.groupBy, which Node 20 lacks.
Object.groupBy ??= (items, keyOf) => {
  const groups = Object.create(null)
  let at = 0
  for (const item of items) (groups[keyOf(item, at++)] ??= []).push(item)
  return groups
}
const { createConfigForNuxt } = await import('@nuxt/eslint/config').catch(
  () => import('@nuxt/eslint-config'),
)

/** Folders of the core from the ground up: a file may import from its own folder and from those before it. */
const LAYERS = [
  'quantity',
  'chemistry',
  'skin',
  'protocol',
  'client',
  'catalog',
  'climb',
  'safety',
  'schedule',
  'mixing',
  'adapt',
  'perform',
  'risk',
  'costing',
  'compose',
  'formats',
]
// Vocabulary files (words, models) may be named by the concepts they describe, in both directions, as types.
const above = (layer) => LAYERS.slice(LAYERS.indexOf(layer) + 1)
const only = (group, message) => ({ group, message })

export default createConfigForNuxt({ features: { stylistic: false } }).append(
  { ignores: ['.output/**', '.nuxt/**', '.data/**', 'node_modules/**', 'docs/**'] },
  {
    rules: {
      'max-lines-per-function': 'off',
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/require-default-prop': 'off',
      'vue/first-attribute-linebreak': 'off',
      '@typescript-eslint/no-invalid-void-type': 'off',
      'vue/attributes-order': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/unified-signatures': 'off',
      'no-console': 'off',
      'no-empty': ['error', { allowEmptyCatch: false }],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            only(
              [
                'vue',
                'nuxt*',
                'h3',
                'pg',
                'node:*',
                'fs',
                'path',
                '**/server/**',
                '**/app/**',
                '**/cli/**',
                '**/demo/**',
                '~/*',
                '#imports',
              ],
              'The core knows no interface, server or machine.',
            ),
          ],
        },
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
        { object: 'Math', property: 'random', message: 'Pass a seed in.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'Pass the time in.',
        },
      ],
    },
  },
  ...['quantity', 'chemistry', 'skin', 'schedule', 'climb', 'safety', 'mixing', 'adapt'].map(
    (layer) => ({
      files: [`core/${layer}/**/*.ts`],
      ignores: ['core/**/*.test.ts'],
      rules: {
        '@typescript-eslint/no-restricted-imports': [
          'error',
          {
            patterns: [
              only(
                [
                  'vue',
                  'nuxt*',
                  'h3',
                  'pg',
                  'node:*',
                  '**/server/**',
                  '**/app/**',
                  '**/cli/**',
                  '**/demo/**',
                ],
                'The core knows no interface, server or machine.',
              ),
              {
                ...only(
                  above(layer)
                    .map((higher) => `**/${higher}/**`)
                    .concat(above(layer).map((higher) => `**/${higher}`)),
                  `core/${layer} knows nothing of what stands above it.`,
                ),
                allowTypeImports: true,
              },
            ],
          },
        ],
      },
    }),
  ),
  {
    files: ['server/**/*.ts', 'cli/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            only(['**/app/**', '~/*'], 'Arrows point to the core, never to the interface.'),
          ],
        },
      ],
    },
  },
  {
    files: ['app/**/*.ts', 'app/**/*.vue'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [only(['**/server/**', 'pg'], 'The interface asks the server by its routes.')],
        },
      ],
    },
  },
)
