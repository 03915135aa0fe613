/** Papers name files that are there: a map to a place that has moved is worse than none. */
import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from 'vitest'

const files = readdirSync('.', { withFileTypes: true })
  .filter(({ name }) => !['node_modules', 'dist', '.git', '.astro', 'test-results'].includes(name))
  .flatMap((entry) =>
    entry.isDirectory()
      ? readdirSync(entry.name, { recursive: true, encoding: 'utf8' }).map((path) => `${entry.name}/${path}`)
      : entry.name,
  )
const papers = files.filter((path) => path.endsWith('.md') && !path.startsWith('reference/'))

test.each(papers)('%s names files and folders that are there', (paper) => {
  const text = readFileSync(paper, 'utf8')
  const named = [...text.matchAll(/`([\w@][\w./@-]*\/[\w./-]*|[\w.]+\.(?:tsx?|css|cjs|mjs|sql))`/g)].map(([, name = '']) => name)
  const missing = named.filter((name) => {
    const path = name.replace(/\/$/, '')
    return !files.some(
      (file) => file === path || file.endsWith(`/${path}`) || file.includes(`${path}/`) || file.includes(`/${path}.`),
    )
  })
  // Packages, addresses, branches of a union, folders that a build makes.
  const known = /^(@|node_modules|dist|application|text|image|event|api|jobs|npm|medida)|^\/|\.example|^[A-Z]|^\d/
  expect(missing.filter((name) => !known.test(name))).toEqual([])
})
