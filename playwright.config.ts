import { defineConfig } from '@playwright/test'

/** Debian's Chromium, headless, quiet on the network; one server and one database for all specs of a worker. */
export default defineConfig({
  testDir: 'e2e',
  timeout: 90_000,
  workers: 1,
  retries: 0,
  forbidOnly: true,
  expect: { timeout: 10_000 },
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.MEDIDA_CHROMIUM ?? '/usr/bin/chromium',
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
