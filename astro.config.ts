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

/** Drawings that one page alone has: they stay with it. */
const OF_ONE_PAGE = /\/src\/(drawing\/(fit|gap|mate)\w+|ui\/fitDrawing\/\w+)\.tsx?$/

/** What a page fetches when it is asked for: the schemas of bodies and records, by which a form is checked at its first try. */
const LATER =
  /Schema\.ts$|\/src\/core\/(book\/(healed|checkBook|fields|faults|references|named|edits|blank|figureKinds)\.ts|record\/recordHistory\.ts|bookSheets\/)|\/src\/(contract\/(bodies|changeWords)|core\/words\/(issues|recordHistory|bookFieldWords|bookFile|bookFields|bookPlaces|bookSheets)|labels\/bodies)\.ts$|node_modules\/zod\//

/** Packages that some pages stand on and others do without, with what of ours stands on them. */
const PARTS: Readonly<Record<string, RegExp>> = {
  forms: /node_modules\/react-hook-form\/|\/src\/islands\/(forms\/|notes\/(useNoteForm|useSubjectForm|ComplaintNote)\.)/,
  tables: /node_modules\/@tanstack\/(react-table|table-core|react-store|store)\/|\/src\/ui\/dataTable\/\w+\.tsx?$/,
  kit: /\/src\/(core\/kit\/[\w/]+|drawing\/assemblySketch|ui\/assemblySketch\/\w+|labels\/compose)\.tsx?$/,
  aria: /node_modules\/(react-aria|react-stately|react-aria-components|@internationalized)\//,
}

/**
 * Chunks that islands share, instead of a chain of small ones that the browser finds one after the other: React with its
 * helpers, what is ours and common, what measuring adds, and the packages above. Everything else stays with its page.
 */
function chunkOf(id: string): string | undefined {
  if (OF_ONE_PAGE.test(id)) return undefined
  if (LATER.test(id)) return 'schemas'
  for (const [name, part] of Object.entries(PARTS)) if (part.test(id)) return name
  if (/node_modules\/(react|react-dom|scheduler|use-sync-external-store|uuid|idb)\//.test(id)) return 'react'
  if (MEASURING.test(id) && /\.tsx?$/.test(id)) return 'measuring'
  if (
    /\/src\/(core|contract|drawing|sync|ui(?!\/(shopFloor|bookPage|recordSheet)))\/|\/src\/islands\/(notes|pageData|useOutbox)|\/src\/labels\/(shell|drawings|notes)/.test(
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
