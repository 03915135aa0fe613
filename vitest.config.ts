import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['src/**/*.test.{ts,tsx}', 'scripts/**/*.test.ts', 'demo/**/*.test.ts'],
    globals: false,
    // The core and its tests keep nothing between files; a process for each took longer than the tests.
    pool: 'threads',
    isolate: false,
    maxWorkers: 2,
    // How long before a test is taken to hang: property tests take seconds, on a busy machine several times that.
    testTimeout: 60_000,
  },
})
