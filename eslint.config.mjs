import tseslint from 'typescript-eslint'
import house from './scripts/lint/house.mjs'

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
  'fault',
  'passwords',
  'quantity',
  'chemistry',
  'skin',
  'client',
  'protocol',
  'catalog',
  'strength',
  'climb',
  'record',
  'safety',
  'salon',
  'booking',
  'schedule',
  'mixing',
  'adapt',
  'perform',
  'risk',
  'costing',
  'homecare',
  'csv',
  'compose',
  'formats',
  'board',
  'messages',
]
const above = (layer) => LAYERS.slice(LAYERS.indexOf(layer) + 1)
const only = (group, message) => ({ group, message })

const OUTSIDE = only(
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
    '**/starter/**',
    '~/*',
    '#imports',
  ],
  'The core knows no interface, server or machine.',
)
const FACES = 'The core is used by its faces: #core/skin, or its Zod models #core/skin/model.'
const INSIDE_OF_CORE = [
  only(['**/core/*', '**/core/**'], FACES),
  { regex: '^#core/[^/]+/(?!model$)', message: FACES },
]

const TABLES = ['**/tables/**', 'core/safety/rules/**', 'demo/cards/**', 'demo/shelf/**']
const TESTS = ['**/*.test.ts', 'tests/**']

/** Limits count on formatted code. Tables of data, rules and demo cards may be long. */
const LIMITS = [
  {
    files: ['**/*.ts', '**/*.vue', '**/*.mjs'],
    plugins: { house },
    rules: {
      'house/function-lines': ['error', 50],
      complexity: ['error', 12],
      'no-nested-ternary': 'error',
    },
  },
  {
    files: ['**/*.ts', '**/*.mjs'],
    ignores: TABLES,
    rules: { 'max-lines': ['error', 300] },
  },
  {
    files: ['**/*.vue'],
    rules: {
      'max-lines': ['error', 250],
      'vue/max-lines-per-block': ['error', { script: 100 }],
      'house/template-functions': 'error',
      'vue/no-restricted-syntax': [
        'error',
        {
          selector: 'ConditionalExpression > ConditionalExpression',
          message: 'Do not nest ternary expressions.',
        },
      ],
    },
  },
]

/** Rules that ask for types: switches name every kind. */
const TYPED = {
  files: ['core/**/*.ts', 'server/**/*.ts', 'cli/**/*.ts', 'demo/**/*.ts', 'starter/**/*.ts'],
  ignores: TESTS,
  languageOptions: {
    parserOptions: {
      project: ['./tsconfig.tools.json', './.nuxt/tsconfig.server.json'],
      tsconfigRootDir: import.meta.dirname,
    },
  },
  plugins: { '@typescript-eslint': tseslint.plugin },
  rules: {
    '@typescript-eslint/switch-exhaustiveness-check': [
      'error',
      { considerDefaultExhaustiveForUnions: true },
    ],
  },
}

export default createConfigForNuxt({ features: { stylistic: false } }).append(
  { ignores: ['.output/**', '.nuxt/**', '.data/**', 'node_modules/**', 'docs/**'] },
  {
    rules: {
      'max-lines-per-function': 'off',
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
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
      'no-restricted-imports': ['error', { patterns: [OUTSIDE] }],
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
  ...LAYERS.map((layer) => ({
    files: [`core/${layer}/**/*.ts`],
    ignores: ['core/**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            OUTSIDE,
            ...(above(layer).length === 0
              ? []
              : [
                  only(
                    above(layer).flatMap((higher) => [`**/${higher}`, `**/${higher}/**`]),
                    `core/${layer} knows nothing of what stands above it.`,
                  ),
                ]),
          ],
        },
      ],
    },
  })),
  {
    files: [
      'server/**/*.ts',
      'cli/**/*.ts',
      'demo/**/*.ts',
      'starter/**/*.ts',
      'scripts/**/*.ts',
      'tests/**/*.ts',
    ],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            only(['**/app/**', '~/*'], 'Arrows point to the core, never to the interface.'),
            ...INSIDE_OF_CORE,
          ],
        },
      ],
    },
  },
  {
    // A second reading that shared code with the first would share its faults.
    files: ['tests/second-reading/{facts,forbidden,judge,touch}.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            only(
              ['#core/adapt*', '#core/safety*', '#core/strength*', '**/core/**'],
              'The second reading is written apart from the engine.',
            ),
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
          patterns: [
            only(['**/server/**', 'pg'], 'The interface asks the server by its routes.'),
            ...INSIDE_OF_CORE,
          ],
        },
      ],
    },
  },
  TYPED,
  ...LIMITS,
)
