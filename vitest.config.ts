import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['src/**/*.test.{ts,tsx}', 'scripts/**/*.test.ts', 'demo/**/*.test.ts'],
    globals: false,
    // How long before a test is taken to hang: property tests take seconds, on a busy machine several times that.
    testTimeout: 60_000,
  },
})
