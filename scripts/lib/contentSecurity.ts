/** The content security policy of every answer: scripts of our own files, and those in pages that are known by their hash. */
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import islandScript from 'astro/runtime/server/astro-island.prebuilt.js'
import { root } from '../bootstrap.mjs'

/** Scripts that stand in pages themselves, because they must run before anything is fetched. */
const INLINE = ['src/layouts/theme.inline.js', 'src/islands/strip/earlyChoice.inline.js']

const hashOf = (script: string): string => `'sha256-${createHash('sha256').update(script, 'utf8').digest('base64')}'`

/** What starts the islands of each client directive, as the build has it in its manifest. */
function directiveScripts(buildFolder: string): string[] {
  const folder = join(buildFolder, 'server')
  const name = readdirSync(folder).find((file) => /^manifest_.*\.mjs$/.test(file))
  const found = name && /"clientDirectives":(\[\[.*?\]\])/s.exec(readFileSync(join(folder, name), 'utf8'))?.[1]
  if (!found) throw new Error('the build has no list of client directives: its pages could not start their islands')
  return (JSON.parse(found) as [string, string][]).map(([, script]) => script)
}

/** No script runs in a page that is not listed here, whatever else gets into the page. */
export function contentSecurityPolicy(buildFolder: string): string {
  const own = INLINE.map((file) => readFileSync(join(root, file), 'utf8'))
  const hashes = [...own, islandScript, ...directiveScripts(buildFolder)].map(hashOf)
  return [
    "default-src 'self'",
    `script-src 'self' ${[...new Set(hashes)].join(' ')}`,
    // Widths of bars and places of marks are written into the elements.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
    "form-action 'self'",
  ].join('; ')
}
