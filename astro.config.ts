import node from '@astrojs/node'
import react from '@astrojs/react'
import type { AstroIntegration } from 'astro'
import { defineConfig } from 'astro/config'

const clientPageData: AstroIntegration = {
  name: 'client-page-data',
  hooks: {
    'astro:config:setup': ({ addClientDirective }) =>
      addClientDirective({ name: 'pageData', entrypoint: './src/islands/pageData/clientDirective.ts' }),
  },
}

/** What only a page with readings on it needs, and nothing common imports: a page before the gauge does without it. */
const MEASURING =
  /\/src\/(core\/slip\/(expectation|question|questionAt|clockQuestion|gaugeQuestion)\.|drawing\/|ui\/(methodSketch|resultDrawing|limitRibbon|orderOfWorkBar)\/)/

/**
 * Three chunks that islands share, instead of a chain of small ones that the browser finds one after the other: React with
 * its helpers, what is ours and common, and what measuring adds. Everything else stays with its page.
 */
function chunkOf(id: string): string | undefined {
  if (/node_modules\/(react|react-dom|scheduler|uuid|idb)\//.test(id)) return 'react'
  if (MEASURING.test(id) && /\.tsx?$/.test(id)) return 'measuring'
  if (
    /\/src\/(core|contract|drawing|sync|ui)\/|\/src\/islands\/(notes|pageData|useOutbox)|\/src\/labels\/(shell|drawings|notes)/.test(
      id,
    ) &&
    /\.tsx?$/.test(id)
  )
    return 'common'
  if (id.includes('vite/preload-helper')) return 'react'
  // Names of style classes are a few bytes a view: one file instead of one a style sheet.
  return id.includes('.module.css') ? 'common' : undefined
}

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react(), clientPageData],
  devToolbar: { enabled: false },
  // Our own middleware checks the origin of every writing call, JSON included.
  security: { checkOrigin: false },
  vite: {
    build: {
      chunkSizeWarningLimit: 300,
      // Scripts come from files: what stands in a page itself must be known by its hash (scripts/lib/contentSecurity.ts).
      assetsInlineLimit: 0,
      rollupOptions: { output: { manualChunks: chunkOf } },
    },
  },
})
