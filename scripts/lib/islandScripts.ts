import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

/** What makes any island come alive. */
const RENDERER = 'client'

/** Files that a chunk imports before it can run, not those it asks for later. */
const STATIC_IMPORT = /(?:\bfrom|\bimport)\s*["']\.\/([^"']+\.js)["']/g

/**
 * The scripts of an island, by the name of its chunk, with everything they import: a page names them, so that the browser
 * fetches them together, and not one after the other as it finds them, behind the pictures.
 */
export function islandScripts(buildFolder: string): (island: string) => readonly string[] {
  const folder = join(buildFolder, 'client', '_astro')
  const files = readdirSync(folder).filter((name) => name.endsWith('.js'))
  const importsOf = (name: string): string[] =>
    [...readFileSync(join(folder, name), 'utf8').matchAll(STATIC_IMPORT)].flatMap(([, imported]) => imported ?? [])
  const known = new Map<string, readonly string[]>()
  return (island) => {
    const before = known.get(island)
    if (before) return before
    const needed = new Set(files.filter((name) => name.startsWith(`${RENDERER}.`) || name.startsWith(`${island}.`)))
    for (const name of needed) for (const imported of importsOf(name)) needed.add(imported)
    const scripts = [...needed].map((name) => `/_astro/${name}`)
    known.set(island, scripts)
    return scripts
  }
}
