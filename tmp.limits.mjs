import house from './scripts/lint/house.mjs'
const base = (await import('./eslint.config.mjs')).default
const arr = await base
export default [...arr,
 { files: ['**/*.ts','**/*.vue','**/*.mjs'], plugins: { house }, rules: { 'house/function-lines': ['error', 50], complexity: ['error', 12], 'no-nested-ternary': 'error' } },
 { files: ['**/*.ts','**/*.mjs'], rules: { 'max-lines': ['error', 300] } },
 { files: ['**/*.vue'], rules: { 'max-lines': ['error', 250], 'vue/max-lines-per-block': ['error', { script: 100 }], 'house/template-functions': 'error', 'vue/no-restricted-syntax': ['error', {selector:'ConditionalExpression > ConditionalExpression', message: 'nested ternary'}] } },
]
