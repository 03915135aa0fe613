/** Puts the focus where the next figure goes: what held it is gone, and a person at the bench types on. */
export const focusReading = (): void =>
  document.querySelector<HTMLElement>('input[data-reading], button[data-active]')?.focus({ preventScroll: true })
