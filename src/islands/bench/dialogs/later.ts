import { useEffect } from 'react'
import { later } from '../../later'

/** Dialogs of the bench, fetched after it answers to keys: with their forms they are no part of its first script. */
const conditions = async () => (await import('./ConditionsDialog')).ConditionsDialog
const help = async () => (await import('./Help')).Help
const next = async () => (await import('./WhatNext')).WhatNext
const note = async () => (await import('./NoteDialog')).NoteDialog

export const ConditionsDialog = later(conditions)
export const Help = later(help)
export const WhatNext = later(next)
export const NoteDialog = later(note)

/** Fetches them while nothing else is to be done, so that the first press of a key opens one at once. */
export function fetchDialogs(): () => void {
  const fetch = (): void => {
    for (const load of [conditions, help, next, note]) void load().catch(() => undefined)
  }
  const timer = setTimeout(fetch, 1_500)
  return () => clearTimeout(timer)
}

const isTyped = (key: string): boolean => key.length === 1 || ['Backspace', 'Enter'].includes(key)

const hasDialog = (): boolean => document.querySelector('dialog[open]') !== null

/** Presses Enter as the browser would have answered to it: a field sends its form, a button is pressed. */
function pressEnter(): void {
  const field = document.activeElement
  if (!field?.closest('dialog[open]')) return
  const wanted = field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }))
  if (!wanted) return
  if (field instanceof HTMLInputElement) field.form?.requestSubmit()
  if (field instanceof HTMLButtonElement) field.click()
}

/** Types into the field that a dialog opened with what was typed before the dialog was there. */
function typeAgain(keys: readonly string[]): void {
  let text = ''
  const land = (): void => {
    const field = document.activeElement
    // Typed as by hand: whatever holds the field hears of it.
    if (text !== '' && field instanceof HTMLInputElement && field.closest('dialog[open]'))
      document.execCommand('insertText', false, text)
    text = ''
  }
  for (const key of keys) {
    if (key === 'Backspace') text = text.slice(0, -1)
    else if (key.length === 1) text += key
    else {
      land()
      pressEnter()
    }
  }
  land()
}

/**
 * From the key that opens a dialog until it is there, no key does anything at the bench behind it: none was meant for that. What is
 * typed meanwhile lands in the field the dialog opens with, and Enter sends it. Escape takes the opening back.
 */
export function useKeysWaitFor(isOpening: boolean, takeBack: () => void): void {
  useEffect(() => {
    // One that came with the page is there at once.
    if (!isOpening || hasDialog()) return
    const typed: string[] = []
    const opened = new MutationObserver(() => {
      if (!hasDialog()) return
      stop()
      typeAgain(typed)
    })
    const hold = (event: KeyboardEvent): void => {
      event.preventDefault()
      event.stopImmediatePropagation()
      if (event.key === 'Escape') {
        stop()
        takeBack()
      } else if (!event.ctrlKey && !event.metaKey && !event.altKey && isTyped(event.key)) typed.push(event.key)
    }
    const stop = (): void => {
      opened.disconnect()
      removeEventListener('keydown', hold, { capture: true })
    }
    opened.observe(document.body, { subtree: true, childList: true, attributes: true, attributeFilter: ['open'] })
    addEventListener('keydown', hold, { capture: true })
    return stop
  }, [isOpening, takeBack])
}
