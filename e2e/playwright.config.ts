import { defineConfig } from '@playwright/test'
import { existsSync } from 'node:fs'

/** Debian's Chromium, unless another is named; its form without windows draws a quarter faster. Nothing is downloaded. */
const executablePath =
  process.env['CHROMIUM'] ?? ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find(existsSync)

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  globalSetup: './world.ts',
  outputDir: '../test-results/e2e',
  workers: 2,
  fullyParallel: true,
  // Generous, so that a slow or busy machine fails nothing that works; only what is broken waits this long.
  timeout: 400_000,
  // And all of them together: whoever runs them hears what is broken, even where that is everything.
  globalTimeout: process.env['OUTFIT_LONG'] === '1' ? 0 : 45 * 60_000,
  expect: { timeout: 60_000 },
  forbidOnly: true,
  ...(process.env['OUTFIT_LONG'] === '1' ? {} : { grepInvert: /@long/ }),
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // Nothing is in between two states while it is looked at.
    contextOptions: { reducedMotion: 'reduce' },
    acceptDownloads: true,
    actionTimeout: 120_000,
    screenshot: 'only-on-failure',
    // A trace photographs every drawing at every step, a fifth of the time; ask for one with --trace on.
    trace: 'off',
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
