import node from '@astrojs/node'
import react from '@astrojs/react'
import { defineConfig } from 'astro/config'

/**
 * Two chunks that every island shares, instead of a chain of small ones that the browser finds one after the other:
 * React with its helpers, and what is ours and common. Everything else stays with its page.
 */
function chunkOf(id: string): string | undefined {
  if (/node_modules\/(react|react-dom|scheduler|uuid|idb)\//.test(id)) return 'react'
  if (/\/src\/(core|contract|drawing|ui)\/|\/src\/islands\/(work|httpClient|outbox)/.test(id) && /\.tsx?$/.test(id))
    return 'common'
  // Names of style classes are a few bytes a view: one file instead of one a style sheet.
  return id.includes('.module.css') ? 'common' : undefined
}

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react()],
  devToolbar: { enabled: false },
  // Our own middleware checks the origin of every writing call, JSON included.
  security: { checkOrigin: false },
  vite: {
    build: {
      chunkSizeWarningLimit: 300,
      rollupOptions: { output: { manualChunks: chunkOf } },
    },
  },
})
