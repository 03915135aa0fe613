import { elementCount } from '../../condition/damagePattern'
import { causeFamilies } from '../../condition/findingKinds'
import type { NoteFault } from '../noteFault'
import type { EntryContext, NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'
import { elementShape, type FindingValue, findingShape } from '../shapes'
import { piecesOf } from '../state'
import { unknownCharacteristic, unknownFinding, unknownPart } from '../unknown'

/** Looked at and nothing found. */
const inspectedShape = ({ z, idSchema, words }: NoteShaping) =>
  z.strictObject({ kind: z.literal('inspected'), part: idSchema, note: words(200) })
export type Inspected = Noting<typeof inspectedShape>
export const inspected: NoteKindOf<Inspected> = {
  shape: inspectedShape,
  subject: ({ part }) => `looked:${part}`,
  refuse: ({ part }, context) => unknownPart(part, context),
  apply: ({ part, note }, noted, { inspected: looked }) => void looked.set(part, { note, ...noted }),
}

const findingRecordedShape = (of: NoteShaping) =>
  of.z.strictObject({ kind: of.z.literal('findingRecorded'), finding: of.idSchema, value: findingShape(of) })
export type FindingRecorded = Noting<typeof findingRecordedShape>
export const findingRecorded: NoteKindOf<FindingRecorded> = {
  shape: findingRecordedShape,
  subject: ({ finding }) => `finding:${finding}`,
  refuse: ({ value }, context) =>
    unknownPart(value.part, context) ?? refuseStation(value, context) ?? refusePiece(value, context),
  apply: ({ finding, value }, noted, { findings }) => {
    const cause = findings.get(finding)?.cause ?? null
    findings.set(finding, { ...value, ...noted, id: finding, withdrawn: null, cause })
  },
}

function refuseStation({ part, station }: FindingValue, { book }: EntryContext): NoteFault | null {
  if (station === null) return null
  const stations = book.positions.filter((position) => position.part === part).flatMap((position) => position.stations)
  return stations.some(({ id }) => id === station) ? null : { code: 'noStation', id: station }
}

function refusePiece({ part, piece }: FindingValue, { noted }: EntryContext): NoteFault | null {
  const count = piecesOf(noted, part)
  return piece === undefined || piece <= count ? null : { code: 'noPiece', piece, count }
}

const findingWithdrawnShape = ({ z, idSchema, reason }: NoteShaping) =>
  z.strictObject({ kind: z.literal('findingWithdrawn'), finding: idSchema, reason })
export type FindingWithdrawn = Noting<typeof findingWithdrawnShape>
export const findingWithdrawn: NoteKindOf<FindingWithdrawn> = {
  shape: findingWithdrawnShape,
  subject: ({ finding }) => `finding:${finding}`,
  refuse: ({ finding }, context) => unknownFinding(finding, context),
  apply: ({ finding: id, reason }, noted, { findings }) => {
    const finding = findings.get(id)
    if (finding) finding.withdrawn = { reason, ...noted }
  },
}

const causeRecordedShape = ({ z, idSchema, words }: NoteShaping) =>
  z.strictObject({
    kind: z.literal('causeRecorded'),
    finding: idSchema,
    /** Null leaves the cause open again. */
    cause: z.strictObject({ family: z.enum(causeFamilies), text: words(400) }).nullable(),
  })
export type CauseRecorded = Noting<typeof causeRecordedShape>
export const causeRecorded: NoteKindOf<CauseRecorded> = {
  shape: causeRecordedShape,
  subject: ({ finding }) => `cause:${finding}`,
  refuse: ({ finding }, context) => unknownFinding(finding, context),
  apply: ({ finding: id, cause }, noted, { findings }) => {
    const finding = findings.get(id)
    if (finding) finding.cause = cause && { ...cause, ...noted }
  },
}

const measurementPlannedShape = ({ z, idSchema }: NoteShaping) =>
  z.strictObject({ kind: z.literal('measurementPlanned'), characteristic: idSchema, finding: idSchema })
export type MeasurementPlanned = Noting<typeof measurementPlannedShape>
export const measurementPlanned: NoteKindOf<MeasurementPlanned> = {
  shape: measurementPlannedShape,
  subject: ({ characteristic }) => `measurement:${characteristic}`,
  refuse: ({ characteristic, finding }, context) =>
    unknownCharacteristic(characteristic, context) ?? unknownFinding(finding, context),
  apply: ({ characteristic, finding }, noted, { planned }) => void planned.set(characteristic, { finding, ...noted }),
}

const patternRecordedShape = (of: NoteShaping) =>
  of.z.strictObject({
    kind: of.z.literal('patternRecorded'),
    pattern: of.idSchema,
    elements: of.z.array(elementShape(of)).max(8000),
  })
export type PatternRecorded = Noting<typeof patternRecordedShape>
export const patternRecorded: NoteKindOf<PatternRecorded> = {
  shape: patternRecordedShape,
  subject: ({ pattern }) => `pattern:${pattern}`,
  refuse: ({ pattern: wanted, elements }, { book }) => {
    const pattern = book.patterns.find(({ id }) => id === wanted)
    if (!pattern) return { code: 'noPattern', id: wanted }
    const count = elementCount(pattern.arrangement)
    if (elements.some(({ element }) => element > count)) return { code: 'tooManyElements', pattern: pattern.name, count }
    return new Set(elements.map(({ element }) => element)).size === elements.length
      ? null
      : { code: 'elementTwice', pattern: pattern.name }
  },
  apply: ({ pattern, elements }, noted, { patterns }) =>
    void patterns.set(pattern, { states: new Map(elements.map(({ element, state }) => [element, state])), ...noted }),
}

/** A feel, rock or slack test: sound, or with the finding it gave. */
const handTestedShape = ({ z, idSchema, words }: NoteShaping) =>
  z.strictObject({ kind: z.literal('handTested'), test: idSchema, finding: idSchema.nullable(), note: words(200) })
export type HandTested = Noting<typeof handTestedShape>
export const handTested: NoteKindOf<HandTested> = {
  shape: handTestedShape,
  subject: ({ test }) => `handTest:${test}`,
  refuse: ({ test, finding }, context) => {
    if (!context.book.handTests.some(({ id }) => id === test)) return { code: 'noHandTest', id: test }
    return finding === null ? null : unknownFinding(finding, context)
  },
  apply: ({ test, finding, note }, noted, { handTests }) => void handTests.set(test, { finding, note, ...noted }),
}
