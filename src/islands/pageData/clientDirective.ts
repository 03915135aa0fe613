import type { ClientDirective } from 'astro'

/** Longest that scripts wait for the first frame, ms: a page in the background shows none. */
const FRAME_MS = 100

/**
 * `client:pageData={scripts}`: comes alive at once, but after the first frame is shown, and not before the page is read to
 * its end, where the view of its island stands. All scripts of the island are asked for together, not one after the other
 * as the browser finds them.
 */
const pageData: ClientDirective = async (load, { value }) => {
  await Promise.race([
    new Promise((shown) => requestAnimationFrame(() => setTimeout(shown))),
    new Promise((late) => setTimeout(late, FRAME_MS)),
  ])
  for (const href of value as unknown as readonly string[])
    document.head.append(Object.assign(document.createElement('link'), { rel: 'modulepreload', href }))
  const alive = load()
  if (document.readyState === 'loading')
    await new Promise((parsed) => document.addEventListener('DOMContentLoaded', parsed, { once: true }))
  await (await alive)()
}

declare module 'astro' {
  interface AstroClientDirectives {
    'client:pageData'?: readonly string[]
  }
}

export default pageData
