/** Type, spaces and lines come from the tokens: a size of its own in one view is a view that looks like no other. */
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'

const below = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    return statSync(path).isDirectory() ? below(path) : [path]
  })
const sheets = below('src').filter((path) => /\.(css|astro)$/.test(path) && !path.endsWith('tokens.css'))
const styleOf = (path: string): string => {
  const text = readFileSync(path, 'utf8')
  return path.endsWith('.css') ? text : [...text.matchAll(/<style[^>]*>(.*?)<\/style>/gs)].map(([, style]) => style).join('\n')
}
/** Given by the behaviour under a component of ours: as wide as the field a list belongs to. */
const GIVEN_BY_LIBRARY = '--trigger-width'
const tokens = new Set([...readFileSync('src/ui/tokens.css', 'utf8').matchAll(/(--[a-z0-9-]+):/g)].map(([, name]) => name))

test('no view has type, spaces or lines in pixels of its own', () => {
  const own = sheets.flatMap((path) =>
    [...styleOf(path).matchAll(/^\s*((?:font|padding|gap|margin|border|outline)[a-z-]*:[^;{]*?\dpx[^;]*);/gm)].map(
      ([, found]) => `${path}: ${found}`,
    ),
  )
  expect(own).toEqual([])
})

test('every token that is asked for is there', () => {
  // Or is given by the component itself.
  const given = new Set([
    GIVEN_BY_LIBRARY,
    ...below('src')
      .filter((path) => /\.(tsx|astro)$/.test(path))
      .flatMap((path) => [...readFileSync(path, 'utf8').matchAll(/['"`;](--[a-z0-9-]+)['":]/g)].map(([, name]) => name)),
  ])
  const declared = new Set(sheets.flatMap((path) => [...styleOf(path).matchAll(/(--[a-z0-9-]+):/g)].map(([, name]) => name)))
  const own = sheets.flatMap((path) => {
    const style = styleOf(path)
    return [...style.matchAll(/var\((--[a-z0-9-]+)\)/g)].flatMap(([, name]) =>
      tokens.has(name) || declared.has(name) || given.has(name) ? [] : `${path}: ${name}`,
    )
  })
  expect([...new Set(own)]).toEqual([])
})
