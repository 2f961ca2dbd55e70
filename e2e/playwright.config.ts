import { defineConfig } from '@playwright/test'
import { stand, workers } from './stand'

/** `./mozle test browser` starts a stand for each worker: a database and two application processes. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.e2e.ts',
  outputDir: '../.mozle/browser-results',
  workers,
  // What is tagged so stands in `./mozle test all`: what is tried there by hand and eye is tried in each run without a browser.
  ...(process.env.MOZLE_ALL ? {} : { grepInvert: /@all/ }),
  retries: 0,
  // Two cores that are shared are at times three times slower than at others.
  timeout: 240_000,
  // A page may wait for its turn where two cores serve two applications, a database and the browser.
  expect: { timeout: 20_000 },
  // The last tells the command that started it how far it is (scripts/watched.ts).
  reporter: [['list'], ['json'], ['../scripts/progress.cjs']],
  use: {
    baseURL: stand?.base,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 30_000,
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
})
