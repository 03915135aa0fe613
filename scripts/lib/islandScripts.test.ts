import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { islandScripts } from './islandScripts'

test('an island is named with all that its scripts import, not with what they ask for later', () => {
  const build = mkdtempSync(join(tmpdir(), 'medida-build-'))
  const folder = join(build, 'client', '_astro')
  mkdirSync(folder, { recursive: true })
  const chunks: Readonly<Record<string, string>> = {
    'client.a1.js': 'import{r}from"./react.b2.js";',
    'react.b2.js': 'export const r=1',
    'Strip.c3.js': 'import{x as y}from"./common.d4.js";import"./side.e5.js";const later=()=>import("./drawing.f6.js")',
    'common.d4.js': 'import { r } from "./react.b2.js"',
    'side.e5.js': 'import"./Strip.c3.js"', // a circle ends
    'drawing.f6.js': '',
    'StripOther.g7.js': '',
  }
  for (const [name, text] of Object.entries(chunks)) writeFileSync(join(folder, name), text)
  const scriptsOf = islandScripts(build)
  const wanted = ['Strip.c3', 'client.a1', 'common.d4', 'react.b2', 'side.e5'].map((name) => `/_astro/${name}.js`)
  expect([...scriptsOf('Strip')].sort()).toEqual(wanted)
  expect(scriptsOf('Strip')).toBe(scriptsOf('Strip'))
  expect(scriptsOf('Nothing')).toEqual(['/_astro/client.a1.js', '/_astro/react.b2.js'])
  rmSync(build, { recursive: true })
})
