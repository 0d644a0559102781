import { defineConfig } from '@playwright/test'
import { existsSync } from 'node:fs'

/** Debian's Chromium, unless another is named; nothing is downloaded. */
const executablePath = process.env['CHROMIUM'] ?? ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync)

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  globalSetup: './world.ts',
  outputDir: '../test-results/e2e',
  workers: 1,
  fullyParallel: true,
  timeout: 180_000,
  expect: { timeout: 15_000 },
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    acceptDownloads: true,
    screenshot: 'only-on-failure',
    trace: 'retain-on-failure',
    launchOptions: {
      ...(executablePath ? { executablePath } : {}),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
