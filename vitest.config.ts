import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const alias = {
  '#core': fileURLToPath(new URL('./core', import.meta.url)),
  '~~': fileURLToPath(new URL('.', import.meta.url)),
  '~': fileURLToPath(new URL('./app', import.meta.url)),
}

export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          include: [
            'core/**/*.test.ts',
            'app/**/*.test.ts',
            'cli/**/*.test.ts',
            'server/**/*.test.ts',
            'demo/**/*.test.ts',
            'starter/**/*.test.ts',
          ],
          environment: 'node',
          // A bound for what never comes: no test waits for it, also on a busy machine.
          testTimeout: 600_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'api',
          include: ['tests/api/**/*.test.ts'],
          environment: 'node',
          testTimeout: 120_000,
          hookTimeout: 120_000,
          fileParallelism: false,
        },
      },
    ],
  },
})
