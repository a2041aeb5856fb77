import { defineConfig } from '@playwright/test'

const ARGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1 , EXCLUDE localhost',
]

export default defineConfig({
  testDir: 'tests/e2e',
  workers: 1,
  // Bounds for what never comes; no test is meant to wait for them.
  timeout: 240_000,
  expect: { timeout: 30_000 },
  retries: 0,
  outputDir: 'test-results',
  use: {
    baseURL: process.env.ZEN_TEST_URL ?? 'http://127.0.0.1:3210',
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: '/usr/bin/chromium', args: ARGS },
    trace: 'off',
    actionTimeout: 30_000,
  },
})
