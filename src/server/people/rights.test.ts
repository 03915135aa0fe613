/** The table of rights and what is there: each page and call once, and none besides. */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { mayUse, neededAt, rights, routes } from './rights'
import { roles } from './roles'

/** Open to who is not signed in: a code or a password is what they bring. */
const OPEN = ['/sign-in', '/first', '/set-password', '/api/first', '/api/set-password', '/api/auth/[...all]']
/** What the build makes once, and the pages that say that there is nothing. */
const FOR_ALL = ['/404', '/refused', '/offline/bench', '/api/[...path]']

const there = readdirSync('src/pages', { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.(astro|ts)$/.test(file) && !file.endsWith('.test.ts'))
  .flatMap((file) => {
    const route = `/${file.replace(/\.(astro|ts)$/, '').replace(/(^|\/)index$/, '')}`
    if (OPEN.includes(route) || FOR_ALL.includes(route)) return []
    const methods = file.endsWith('.astro')
      ? ['GET']
      : [...readFileSync(join('src/pages', file), 'utf8').matchAll(/export const (\w+)/g)].map(([, name]) => name)
    return methods.filter((name) => name !== 'prerender').map((method) => `${method} ${route}`)
  })

test('every page and call is in the table, and the table has no other', () => {
  expect([...routes].sort()).toEqual(there.sort())
})

test('what is nowhere in the table is not there; a HEAD is a GET', () => {
  expect(neededAt('DELETE', '/api/machines')).toBeNull()
  expect(neededAt('GET', '/api/machines')).toBeNull()
  expect(neededAt('HEAD', '/people')).toEqual(['administer'])
})

test('what only an administrator may, nobody else may; a visitor only looks', () => {
  for (const route of routes) {
    const needed: readonly string[] = rights[route]
    const allowed = roles.filter((role) => mayUse(role, rights[route]))
    if (needed.includes('administer')) expect(allowed, route).toEqual(['administrator'])
    if (allowed.includes('visitor') && route.startsWith('POST')) expect(needed, route).toEqual([])
    expect(allowed.length, route).toBeGreaterThan(0)
  }
})
