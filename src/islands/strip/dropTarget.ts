/** Where a dragged part would go: into a tray behind another part, or back into the machine. */
export type DropTarget =
  | { readonly kind: 'machine' }
  | { readonly kind: 'tray'; readonly tray: string; readonly after: string | null }

export const sameTarget = (one: DropTarget | null, other: DropTarget | null): boolean =>
  one?.kind === 'tray' && other?.kind === 'tray'
    ? one.tray === other.tray && one.after === other.after
    : one?.kind === other?.kind

/** A part that lies in a tray, and the line through its middle. */
export interface LyingPart {
  readonly id: string
  readonly middle: number
}

/** The part after which another one would lie that is let go at a height: the last one whose middle is above it. */
export const partAbove = (lying: readonly LyingPart[], y: number, own: string): string | null =>
  lying.filter(({ id, middle }) => id !== own && middle < y).at(-1)?.id ?? null

/** A part that is dragged, and whether it was taken from a tray: only then can it go back into the machine. */
export interface Dragged {
  readonly id: string
  readonly fromTray: boolean
}

/** What lies on the page at a point, for a part that is let go there. */
export function targetAt({ x, y }: { readonly x: number; readonly y: number }, { id, fromTray }: Dragged): DropTarget | null {
  const under = document.elementFromPoint(x, y)
  const tray = under?.closest<HTMLElement>('[data-tray]')
  if (!tray) return fromTray && under?.closest('[data-machine]') ? { kind: 'machine' } : null
  const lying = [...tray.querySelectorAll<HTMLElement>('[data-card]')].map((card) => {
    const { top, height } = card.getBoundingClientRect()
    return { id: card.dataset.card ?? '', middle: top + height / 2 }
  })
  return { kind: 'tray', tray: tray.dataset.tray ?? '', after: partAbove(lying, y, id) }
}
