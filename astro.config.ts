import node from '@astrojs/node'
import react from '@astrojs/react'
import { defineConfig } from 'astro/config'

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react()],
  devToolbar: { enabled: false },
  // Our own middleware checks the origin of every writing call, JSON included.
  security: { checkOrigin: false },
  vite: { build: { chunkSizeWarningLimit: 300 } },
})
