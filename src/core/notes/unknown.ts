import { commonCautionList } from '../safety/cautions'
import type { NoteFault } from './noteFault'
import type { EntryContext } from './noteKind'
import { standingFindings } from './state'

/** What a note names and this job does not have; null where it has. */
export const unknownPosition = (id: string, { noted }: EntryContext): NoteFault | null =>
  noted.positions.some((position) => position.id === id) ? null : { code: 'noPosition', id }
export const unknownPart = (id: string, { book }: EntryContext): NoteFault | null =>
  book.parts.some((part) => part.id === id) ? null : { code: 'noPart', id }
export const unknownCharacteristic = (id: string, { book }: EntryContext): NoteFault | null =>
  book.characteristics.some((item) => item.id === id) ? null : { code: 'noCharacteristic', id }
export const unknownCaution = (id: string, { book }: EntryContext): NoteFault | null =>
  [...commonCautionList, ...book.cautions].some((caution) => caution.id === id) ? null : { code: 'noCaution', id }
export const unknownFinding = (id: string, { noted }: EntryContext): NoteFault | null =>
  standingFindings(noted).some((finding) => finding.id === id) ? null : { code: 'noFinding' }

/** The first fault that one of several gives. */
export const firstOf = <T>(items: readonly T[], check: (item: T) => NoteFault | null): NoteFault | null =>
  items.map(check).find((fault) => fault !== null) ?? null
