import { defineConfig } from '@playwright/test'
import base from '../../playwright.config'

/** Figures of what a tablet does while hands work: `npm run bench-perform`. */
export default defineConfig({
  ...base,
  testDir: '.',
  testMatch: 'perform.bench.ts',
  timeout: 1_200_000,
})
