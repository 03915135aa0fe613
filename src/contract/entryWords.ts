/** What was noted, in one line: for the job's log, the report, and when two people noted the same thing. */

import type { LimitBook } from '../core/book/bookSchema'
import { causeLabel, kindOf } from '../core/condition/findingKinds'
import type { EntryBody, IdentitySizes, Tag } from '../core/notes/entrySchema'
import type { WorkState } from '../core/notes/fold'

export function entryWords(body: EntryBody, book: LimitBook, work: WorkState): string {
  const step = (id: string): string => work.steps.find((candidate) => candidate.id === id)?.name ?? id
  const position = (id: string): string => work.positions.find((candidate) => candidate.id === id)?.name ?? id
  const finding = (id: string): string => {
    const found = work.findings.find((candidate) => candidate.id === id)
    return found ? `${kindOf(found.kind).label} on ${part(found.part)}` : id
  }
  const part = (id: string): string => book.parts.find((candidate) => candidate.id === id)?.name ?? id
  const characteristic = (id: string): string => book.characteristics.find((candidate) => candidate.id === id)?.name ?? id
  switch (body.kind) {
    case 'planTicked':
      return `Plan: ${planName(book, body.item)} ${{ open: 'open again', there: 'there', missing: 'missing' }[body.state]}`
    case 'stepDone': {
      const licensed = body.licensed ? `, licensed: ${body.licensed.name}, ${body.licensed.licence}` : ''
      return `Done: ${step(body.step)}${licensed}${body.note === '' ? '' : ` (${body.note})`}`
    }
    case 'stepSkipped':
      return `Skipped: ${step(body.step)} (${body.reason})`
    case 'stepNotApplicable':
      return `Does not apply: ${step(body.step)} (${body.reason})`
    case 'stepNotApplicableAgreed':
      return `Agreed that it does not apply: ${step(body.step)}`
    case 'stepReopened':
      return `Opened again: ${step(body.step)} (${body.reason})`
    case 'stepAdded':
      return `Step added: ${body.name}`
    case 'stepMoved':
      return `Step moved: ${step(body.step)}${body.after === null ? ' to the front' : ` after ${step(body.after)}`}`
    case 'waitStarted':
      return `Clock started: ${step(body.step)}`
    case 'tagWritten':
      return `Tag of ${position(body.position)}: ${tagWords(body.tag, position)}`
    case 'laidOut':
      return `${position(body.position)} laid out in ${body.tray}`
    case 'putBack':
      return `${position(body.position)} back in the machine`
    case 'positionAdded':
      return `Position added: ${body.name}`
    case 'positionMoved':
      return `${position(body.position)} moved to ${body.parent === null ? 'the top' : position(body.parent)}`
    case 'jointMarked':
      return `Match mark at ${book.joints.find(({ id }) => id === body.joint)?.name ?? body.joint}: ${body.mark === '' ? 'none' : body.mark}`
    case 'thicknessTaken':
      return `Thickness of ${position(body.position)}: ${body.text}`
    case 'identified':
      return `${position(body.position)} measured: ${sizesWords(body.sizes)}`
    case 'putIn':
      return `In: ${body.count} × ${body.name}${body.where === '' ? '' : `, ${body.where}`}`
    case 'takenOut':
      return `Out: ${body.count} × ${work.temporaries.find(({ id }) => id === body.temporary)?.name ?? body.temporary}`
    case 'lookedAt':
      return `Looked at, nothing found: ${part(body.part)}`
    case 'findingRecorded':
      return `${kindOf(body.value.kind).label}, ${body.value.severity}, on ${part(body.value.part)}${body.value.extent === '' ? '' : `: ${body.value.extent}`}`
    case 'findingWithdrawn':
      return `Withdrawn: ${finding(body.finding)} (${body.reason})`
    case 'causeRecorded':
      return body.cause === null
        ? `Cause open again: ${finding(body.finding)}`
        : `Cause of ${finding(body.finding)}: ${causeLabel[body.cause.family]}${body.cause.text === '' ? '' : `, ${body.cause.text}`}`
    case 'measurementPlanned':
      return `Measurement added: ${characteristic(body.characteristic)}`
    case 'patternRecorded': {
      const count = (kind: string): number => body.elements.filter(({ state }) => state.kind === kind).length
      return `${book.patterns.find(({ id }) => id === body.pattern)?.name ?? body.pattern}: ${count('broken')} broken, ${count('worn')} worn, ${count('sound')} sound`
    }
    case 'handTested': {
      const name = book.handTests.find(({ id }) => id === body.test)?.name ?? body.test
      return `${name}: ${body.finding === null ? 'sound' : finding(body.finding)}${body.note === '' ? '' : ` (${body.note})`}`
    }
    case 'pictureAdded':
      return `Picture${body.caption === '' ? '' : `: ${body.caption}`}`
    case 'pictureMarked':
      return `Picture drawn upon: ${body.marks.length} marks`
    case 'pictureRemoved':
      return `Picture taken out (${body.reason})`
    case 'characteristicTyped':
      return `${body.value.name} typed from ${body.value.document.id}, ${body.value.document.title}`
    case 'characteristicDropped':
      return `${characteristic(body.characteristic)} taken out (${body.reason})`
    case 'limitsChecked': {
      const note = body.note === '' ? '' : ` (${body.note})`
      return `Limits of ${characteristic(body.characteristic)} ${body.agrees ? 'agree' : 'do not agree'} with the document${note}`
    }
    case 'readingNoted':
      return body.note === '' ? 'Note at a reading taken away' : `Note at a reading: ${body.note}`
    case 'complaintExplained':
      return body.finding === null ? 'Complaint: not explained yet' : `Complaint explained by ${finding(body.finding)}`
    case 'complaintGone':
      return `Complaint proved gone: ${body.note}`
  }
}

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

function planName(book: LimitBook, item: string): string {
  const all = book.levels.flatMap(({ needs }) =>
    [needs.gauges, needs.tools, needs.consumables, needs.safety, needs.people].flat(),
  )
  return all.find(({ id }) => id === item)?.name ?? item
}
