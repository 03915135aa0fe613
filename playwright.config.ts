import { defineConfig } from '@playwright/test'

/**
 * What Playwright itself switches off, because the last list of features is the only one that counts, and the drop-downs
 * of an address bar nobody sees: each window loads two pages for them, a second of work beside what is tested.
 */
const FEATURES_OFF = [
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'DialMediaRouteProvider',
  'GlobalMediaControls',
  'HttpsUpgrades',
  'LensOverlay',
  'MediaRouter',
  'PaintHolding',
  'ThirdPartyStoragePartitioning',
  'BlockOriginHeaderModificationOnRedirect',
  'AvoidCorsURLLoaderRestartOnRedirect',
  'Translate',
  'AutoDeElevate',
  'OptimizationHints',
  'NetworkTimeServiceQuerying',
  'AimEnabled',
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
  'WebUIOmniboxFullPopup',
]

/** Debian's Chromium, headless, quiet on the network; one server and one database for all specs of a worker. */
export default defineConfig({
  testDir: 'e2e',
  // How long before a test is taken to hang: the machine is shared, and three starts in one test take half a minute at best.
  timeout: 420_000,
  globalSetup: './e2e/support/beginning.ts',
  // One for each core of a small machine: while one waits for its page, the other is served.
  workers: 2,
  retries: 0,
  forbidOnly: true,
  expect: { timeout: 15_000 },
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
        `--disable-features=${FEATURES_OFF.join()}`,
      ],
    },
  },
})
