import type { NotesState } from '../notes/state'
import { type StripFault, stillInside } from '../notes/stripFaults'

/** Something about a part that came out which nobody can answer later. */
export function stripFaultWords(noted: NotesState, fault: StripFault): string {
  const name = noted.positions.find(({ id }) => id === fault.position)?.name ?? fault.position
  switch (fault.code) {
    case 'noPlace':
      return `${name}: taken out, but lies in no tray`
    case 'noTag':
      return `${name}: no tag`
    case 'noFace':
      return `${name}: facing not noted`
    case 'noThickness':
      return `${name}: thickness not measured`
    case 'notIdentified':
      return `${name}: not identified by measurement`
    case 'sameNumber':
      return `${name}: number ${fault.number} is also on ${fault.others.join(', ')}`
    case 'noClock':
      return `${name}: clock direction of ${fault.of} not noted`
    case 'countDiffers':
      return `${name}: ${fault.found} found, the book has ${fault.wanted}`
    case 'noMatchMark':
      return `${fault.joint}: parted without a match mark on record`
    case 'matesApart':
      return `${name} lies in ${fault.tray}, its mate ${fault.mate} in ${fault.mateTray}`
  }
}

/** What is still inside: “2 × Plastic strip, 1 × Eye bolt M20”; null when nothing is. */
export function insideWords(noted: NotesState): string | null {
  const inside = stillInside(noted)
  return inside.length === 0 ? null : inside.map(({ name, inside: count }) => `${count} × ${name}`).join(', ')
}
