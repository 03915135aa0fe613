import { type ComponentType, createElement } from 'react'
import { readPageData } from './pageText'

/** Element of the page that holds the data of its island. */
export const PAGE_DATA_ID = 'pageData'

/**
 * What a page hands to its island as one text of JSON (WritePageData.astro). Astro's own way wraps, escapes and takes
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

/** The text a page came with; null where it came with none. */
export const pageTextOf = (): string | null => document.getElementById(PAGE_DATA_ID)?.textContent ?? null

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
