import type { LimitBook } from '../book/bookSchema'
import type { EntryBody, EntryKind } from '../notes/kinds'
import type { IdentitySizes, Tag } from '../notes/shapes'
import type { NotesState } from '../notes/state'
import { additionWords } from './additions'
import { causeName, findingWords, pieceWords } from './findings'
import { counted } from './plain'
import { optionName, variantName } from './speaker'

/** Names of what notes speak of, as people call it. */
interface NoteNames {
  readonly book: LimitBook
  planLine(id: string): string
  step(id: string): string
  position(id: string): string
  part(id: string): string
  characteristic(id: string): string
  finding(id: string): string
  temporary(id: string): string
}

type Named = { readonly id: string; readonly name: string }
const nameIn = (items: readonly Named[], id: string): string => items.find((item) => item.id === id)?.name ?? id

/** The names of a job: of its book, and of what was added in it. */
function namesOf(book: LimitBook, noted: NotesState): NoteNames {
  const part = (id: string): string => nameIn(book.parts, id)
  return {
    book,
    planLine: (id) =>
      nameIn(
        book.levels.flatMap(({ needs }) => [needs.gauges, needs.tools, needs.consumables, needs.safety, needs.people].flat()),
        id,
      ),
    step: (id) => nameIn(noted.steps, id),
    position: (id) => nameIn(noted.positions, id),
    part,
    characteristic: (id) => nameIn(book.characteristics, id),
    finding: (id) => {
      const found = noted.findings.find((candidate) => candidate.id === id)
      return found ? `${findingWords[found.kind].label} on ${part(found.part)}` : id
    },
    temporary: (id) => nameIn(noted.temporaries, id),
  }
}

/** What stands in brackets behind, where there is anything. */
const inBrackets = (text: string): string => (text === '' ? '' : ` (${text})`)

type NoteWords = { readonly [K in EntryKind]: (body: Extract<EntryBody, { readonly kind: K }>, names: NoteNames) => string }

/** Each kind of note in one line. */
const noteWords: NoteWords = {
  complaintExplained: ({ finding }, names) =>
    finding === null ? 'Complaint: not explained yet' : `Complaint explained by ${names.finding(finding)}`,
  complaintGone: ({ note }) => `Complaint proved gone: ${note}`,
  inspected: ({ part }, names) => `Inspected, nothing found: ${names.part(part)}`,
  findingRecorded: ({ value: { kind, severity, part, piece, extent } }, names) =>
    `${findingWords[kind].label}, ${severity}, on ${names.part(part)}${piece === undefined ? '' : `, ${pieceWords({ piece })}`}${extent === '' ? '' : `: ${extent}`}`,
  findingWithdrawn: ({ finding, reason }, names) => `Withdrawn: ${names.finding(finding)} (${reason})`,
  causeRecorded: ({ finding, cause }, names) =>
    cause === null
      ? `Cause reopened: ${names.finding(finding)}`
      : `Cause of ${names.finding(finding)}: ${causeName[cause.family]}${cause.text === '' ? '' : `, ${cause.text}`}`,
  measurementPlanned: ({ characteristic }, names) => `Measurement added: ${names.characteristic(characteristic)}`,
  patternRecorded: ({ pattern, elements }, { book }) => {
    const count = (kind: string): number => elements.filter(({ state }) => state.kind === kind).length
    const name = book.patterns.find(({ id }) => id === pattern)?.name ?? pattern
    return `${name}: ${count('broken')} broken, ${count('worn')} worn, ${count('sound')} sound`
  },
  handTested: ({ test, finding, note }, names) => {
    const name = names.book.handTests.find(({ id }) => id === test)?.name ?? test
    return `${name}: ${finding === null ? 'sound' : names.finding(finding)}${inBrackets(note)}`
  },
  pictureAdded: ({ caption }) => `Picture${caption === '' ? '' : `: ${caption}`}`,
  pictureMarked: ({ marks }) => `Picture marked up: ${counted(marks.length, 'mark', 'marks')}`,
  pictureRemoved: ({ reason }) => `Picture removed (${reason})`,
  planTicked: ({ item, state }, { planLine }) =>
    `Plan: ${planLine(item)} ${{ open: 'open again', there: 'there', missing: 'missing' }[state]}`,
  readingNoted: ({ note }) => (note === '' ? 'Note at a reading removed' : `Note at a reading: ${note}`),
  thicknessTaken: ({ position, text }, names) => `Thickness of ${names.position(position)}: ${text}`,
  identified: ({ position, sizes }, names) => `${names.position(position)} measured: ${sizesWords(sizes)}`,
  stepDone: ({ step, note, licensed }, names) =>
    `Done: ${names.step(step)}${licensed ? `, licensed: ${licensed.name}, ${licensed.licence}` : ''}${inBrackets(note)}`,
  stepSkipped: ({ step, reason }, names) => `Skipped: ${names.step(step)} (${reason})`,
  stepNotApplicable: ({ step, reason }, names) => `Does not apply: ${names.step(step)} (${reason})`,
  stepNotApplicableAgreed: ({ step }, names) => `Agreed that it does not apply: ${names.step(step)}`,
  stepReopened: ({ step, reason }, names) => `Reopened: ${names.step(step)} (${reason})`,
  stepAdded: ({ name }) => `Step added: ${name}`,
  stepMoved: ({ step, after }, names) =>
    `Step moved: ${names.step(step)}${after === null ? ' to the front' : ` after ${names.step(after)}`}`,
  waitStarted: ({ step }, names) => `Clock started: ${names.step(step)}`,
  tagWritten: ({ position, tag }, names) => `Tag of ${names.position(position)}: ${tagWords(tag, names.position)}`,
  laidOut: ({ position, tray }, names) => `${names.position(position)} laid out in ${tray}`,
  putBack: ({ position }, names) => `${names.position(position)} back in the machine`,
  positionAdded: ({ name }) => `Position added: ${name}`,
  positionMoved: ({ position, parent }, names) =>
    `${names.position(position)} moved to ${parent === null ? 'the top' : names.position(parent)}`,
  jointMarked: ({ joint, mark }, { book }) =>
    `Match mark at ${book.joints.find(({ id }) => id === joint)?.name ?? joint}: ${mark === '' ? 'none' : mark}`,
  putIn: ({ name, where, count }) => `In: ${count} × ${name}${where === '' ? '' : `, ${where}`}`,
  takenOut: ({ temporary, count }, names) => `Out: ${count} × ${names.temporary(temporary)}`,
  characteristicTyped: ({ value: { name, document } }) => `${name} typed from ${document.id}, ${document.title}`,
  characteristicDropped: ({ characteristic, reason }, names) => `${names.characteristic(characteristic)} removed (${reason})`,
  sidesSaid: ({ part, used }, names) => `${names.part(part)}: ${counted(used, 'side', 'sides')} used up`,
  variantSaid: ({ variant, option }, { book }) => `${variantName({ book }, variant)}: ${optionName({ book }, variant, option)}`,
  thingAdded: ({ what }, names) => additionWords(what, names),
  thingDropped: ({ name, reason }) => `Taken out again: ${name} (${reason})`,
  limitsChecked: ({ characteristic, agrees, note }, names) => {
    const says = agrees ? 'agree' : 'do not agree'
    return `Limits of ${names.characteristic(characteristic)} ${says} with the document${inBrackets(note)}`
  },
}

/** What was noted, in one line: for the job's log, the report, and when two people noted the same thing. */
export const entryWords = (body: EntryBody, book: LimitBook, noted: NotesState): string =>
  (noteWords[body.kind] as (body: EntryBody, names: NoteNames) => string)(body, namesOf(book, noted))

/** A tag in words, without its empty fields. */
export function tagWords(tag: Tag, nameOf: (position: string) => string): string {
  return [
    tag.number === '' ? 'no number' : `No. ${tag.number}`,
    tag.face,
    tag.clock === null ? '' : `${tag.clock} o’clock`,
    tag.matchMark === '' ? '' : `mark: ${tag.matchMark}`,
    tag.keptWith.length === 0 ? '' : `with ${tag.keptWith.map(nameOf).join(', ')}`,
    `${tag.count} pc.`,
    tag.note,
  ]
    .filter((word) => word !== '')
    .join('; ')
}

function sizesWords(sizes: IdentitySizes): string {
  switch (sizes.kind) {
    case 'bearing':
      return `bore ${sizes.bore}, outside ${sizes.outside}, width ${sizes.width}`
    case 'seal':
      return `shaft ${sizes.shaft}, outside ${sizes.outside}, width ${sizes.width}`
    case 'thread':
      return `diameter ${sizes.diameter}, pitch ${sizes.pitch}${sizes.flank === null ? '' : `, ${sizes.flank}°`}`
  }
}
