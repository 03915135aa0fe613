/**
 * Search, filters and keys of the shop floor. The rows come from the server; this hides those that were not asked for, so that
 * a page of sixty machines is one list that is read, not built.
 */

import { hasWords } from '../../core/base/search'

type Show = 'all' | 'mine' | 'overdue' | 'waiting'

const rows = (): HTMLElement[] => [...document.querySelectorAll<HTMLElement>('[data-job]')]
const search = (): HTMLInputElement | null => document.querySelector<HTMLInputElement>('#floor-search')
/** What is asked for stands in the address: a reload and a link show the same. */
const asked = (): URLSearchParams => new URLSearchParams(location.search)

function ask(over: Readonly<Record<string, string>>): void {
  const next = asked()
  for (const [key, value] of Object.entries(over)) {
    if (value === '' || value === 'all') next.delete(key)
    else next.set(key, value)
  }
  const query = next.toString()
  history.replaceState(null, '', query === '' ? location.pathname : `?${query}`)
  apply()
}

function apply(): void {
  const query = asked()
  const show = (query.get('show') ?? 'all') as Show
  const step = query.get('step')
  const typed = query.get('q') ?? ''
  const isFound = (row: HTMLElement): boolean => hasWords(row.dataset.words ?? '', typed)
  let shown = 0
  for (const row of rows()) {
    const wanted = (show === 'all' || row.dataset[show] === '') && (step === null || row.dataset.step === step) && isFound(row)
    row.hidden = !wanted
    if (wanted) shown += 1
  }
  for (const row of document.querySelectorAll<HTMLElement>('[data-found]')) row.hidden = !isFound(row)
  for (const button of document.querySelectorAll<HTMLElement>('[data-show]'))
    button.setAttribute('aria-pressed', String(button.dataset.show === show))
  for (const button of document.querySelectorAll<HTMLElement>('[data-at]'))
    button.setAttribute('aria-pressed', String(button.dataset.at === step))
  const nothing = document.querySelector<HTMLElement>('#nothing-shown')
  if (nothing) nothing.hidden = shown > 0 || rows().length === 0
}

/** Rows are walked with the arrows and opened with Enter, as at the bench; one of them is a stop for Tab. */
function onKey(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return
  const target = event.target as HTMLElement
  if (event.key === '/' && target.tagName !== 'INPUT') {
    search()?.focus()
    return event.preventDefault()
  }
  if (event.key === 'Escape' && target === search()) {
    ask({ q: '' })
    const field = search()
    if (field) field.value = ''
    return
  }
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (by === undefined) return
  const links = rows()
    .filter((row) => !row.hidden)
    .flatMap((row) => row.querySelector<HTMLElement>('a') ?? [])
  const here = links.indexOf(document.activeElement as HTMLElement)
  const to = here < 0 ? (by > 0 ? links[0] : links.at(-1)) : links[here + by]
  if (!to || (here < 0 && target !== document.body && target !== search())) return
  to.focus()
  event.preventDefault()
}

export function startFloor(): void {
  const field = search()
  if (field) {
    field.value = asked().get('q') ?? ''
    field.addEventListener('input', () => ask({ q: field.value.trim() }))
  }
  for (const button of document.querySelectorAll<HTMLElement>('[data-show]'))
    button.addEventListener('click', () => ask({ show: button.dataset.show ?? 'all' }))
  for (const button of document.querySelectorAll<HTMLElement>('[data-at]'))
    button.addEventListener('click', () =>
      ask({ step: asked().get('step') === button.dataset.at ? '' : (button.dataset.at ?? '') }),
    )
  document.querySelector('#show-all')?.addEventListener('click', () => {
    if (field) field.value = ''
    ask({ q: '', show: 'all', step: '' })
  })
  addEventListener('keydown', onKey)
  apply()
}
