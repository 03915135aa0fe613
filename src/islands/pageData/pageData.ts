import { type ComponentType, createElement } from 'react'
import { readPageData } from './pageText'

/** Element of the page that holds what is pageData to its island. */
export const HANDED_ID = 'pageData'

/**
 * What a page hands to its island as one text of JSON (PageData.astro). Astro's own way wraps, escapes and takes
 * apart every single value of a record: twice the bytes and many times the work on both sides. Private, so that Astro
 * finds nothing to write.
 */
export class PageData<T> {
  readonly #value: T

  constructor(value: T) {
    this.#value = value
  }

  get value(): T {
    return this.#value
  }
}

/** Read once: what a page was made with stays as it is. */
let read: unknown

/** The text a page came with; null where nothing was pageData over. */
export const pageTextOf = (): string | null => document.getElementById(HANDED_ID)?.textContent ?? null

function fromPage(): unknown {
  const text = pageTextOf()
  read ??= text === null ? null : readPageData(text)
  return read
}

/** The island that takes its view from where its page put it. */
export function receiving<V, P extends { readonly view: V }>(Island: ComponentType<P>) {
  return function Received({ view, ...props }: Omit<P, 'view'> & { readonly view: PageData<V> }) {
    return createElement(Island, { ...props, view: view instanceof PageData ? view.value : fromPage() } as P)
  }
}
