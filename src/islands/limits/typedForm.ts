import { v7 } from 'uuid'
import { err, ok, type Result } from '../../core/base/result'
import type { LimitBook } from '../../core/book/bookSchema'
import { writtenClass } from '../../core/fit/writtenClass'
import type { GaugeKind } from '../../core/gauge/gaugeKinds'
import type { Method, MethodKind } from '../../core/method/method'
import type { ReductionName } from '../../core/method/reduction'
import type { SetUpAnswers } from '../../core/method/setUp/answers'
import { setUpMethod, usualGaugeOf } from '../../core/method/setUp/setUp'
import { type Typed, typedFaults } from '../../core/notes/typedCharacteristic'
import type { TypedFault } from '../../core/notes/typedFault'
import type { TypedCharacteristic, TypedLimit } from '../../core/notes/typedSchema'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import type { SettingSpec } from '../../core/setting/setting'
import { OWN_DOCUMENT, OWN_PAGE } from '../../core/typed/ownDocument'
import { isSpread, usualJudge, usualStep } from '../../core/typed/usual'
import { ownDocumentTitle } from '../../core/words/additions'
import { setUpFaultWords, setUpStarts } from '../../core/words/methods'
import { cellFaultWords, typedFaultWords } from '../../core/words/typedFaults'
import { say } from '../../labels/limits'
import type { FieldSays } from '../../ui/fieldSays'
import { settingAsked } from '../limitRow/SettingFields'

/** One limit on the form, all of it text. */
export interface LimitRow {
  readonly key: string
  readonly judges: string
  readonly side: TypedLimit['side']
  readonly wear: string
  readonly plan: string
  readonly whenPassed: TypedLimit['whenPassed']
  readonly instruction: string
  readonly page: string
}

/** The form as a person fills it in. */
export interface TypedForm {
  readonly name: string
  /** Part of the book, or empty for another one. */
  readonly part: string
  readonly partName: string
  readonly assembly: string
  readonly position: string
  /** Position that holds a new part; empty: the machine itself. */
  readonly sitsIn: string
  /** Other parts it is measured on in the same way. */
  readonly alsoFor: readonly string[]
  readonly kind: MethodKind
  readonly answers: SetUpAnswers
  /** Empty: the usual one. */
  readonly gaugeKind: GaugeKind | ''
  /** Empty: the usual step. */
  readonly readTo: string
  readonly how: string
  /** No document gives it: its limits are the shop’s own. */
  readonly isOwn: boolean
  readonly document: string
  readonly documentTitle: string
  readonly documentRevision: string
  readonly newLower: string
  readonly newUpper: string
  readonly newNominal: string
  readonly newPage: string
  readonly limits: readonly LimitRow[]
  /** Null: wear or setting as its kind usually is. */
  readonly setting: SettingSpec | null
  readonly safety: boolean
}

export const emptyLimit = (page: string): LimitRow => ({
  key: v7(),
  judges: '',
  side: 'upper',
  wear: '',
  plan: '',
  whenPassed: 'mend',
  instruction: '',
  page,
})

/** A form to begin with: part and document are those typed last, because a manual is worked through page by page. */
export function emptyForm(book: LimitBook, last: Typed | undefined): TypedForm {
  return {
    name: '',
    part: last?.value.part.id ?? (book.parts.length > 0 ? (book.parts[0]?.id ?? '') : ''),
    partName: '',
    assembly: last?.value.part.assembly ?? '',
    position: '',
    sitsIn: '',
    alsoFor: [],
    kind: 'outsideDiameter',
    answers: {},
    gaugeKind: '',
    readTo: '',
    how: '',
    isOwn: false,
    document: last?.value.document.id ?? '',
    documentTitle: last?.value.document.title ?? '',
    documentRevision: last?.value.document.revision ?? '',
    newLower: '',
    newUpper: '',
    newNominal: '',
    newPage: '',
    limits: [emptyLimit('')],
    setting: null,
    safety: false,
  }
}

/** What was typed before, to be typed anew. The answers are not kept with the method, so an unchanged method stays as it is. */
export function formOf({ value }: Typed): TypedForm {
  return {
    name: value.name,
    part: value.part.id,
    partName: value.part.name,
    assembly: value.part.assembly,
    position: value.part.position,
    sitsIn: value.part.sitsIn ?? '',
    alsoFor: [],
    kind: value.method.kind,
    answers: {},
    gaugeKind: value.gaugeKind,
    readTo: value.readTo,
    how: value.how,
    isOwn: value.document.id === OWN_DOCUMENT,
    document: value.document.id,
    documentTitle: value.document.title,
    documentRevision: value.document.revision,
    newLower: value.new?.lower ?? '',
    newUpper: value.new?.upper ?? '',
    newNominal: value.new?.nominal ?? '',
    newPage: value.new?.page ?? '',
    limits: value.limits.map((limit) => ({ key: v7(), ...limit, plan: limit.plan ?? '' })),
    setting: value.setting ?? null,
    safety: value.safety,
  }
}

/** The method the form describes; when one is being typed anew without touching its set-up, the one it has. */
export function methodOf(form: TypedForm, before: Typed | null, system: UnitSystem): Result<Method, readonly FieldSays[]> {
  if (before && form.kind === before.value.method.kind && Object.keys(form.answers).length === 0) return ok(before.value.method)
  const made = setUpMethod(form.kind, { ...setUpStarts(form.kind), ...form.answers }, system)
  return made.ok
    ? made
    : err(made.fault.map(({ at, fault }) => ({ at: `answers.${at}`, says: setUpFaultWords(form.kind, fault) })))
}

/** Figures of the form that are read on the scale of the readings. */
export const typedFigures = ({ newLower, newUpper, limits }: TypedForm): readonly string[] => [
  newLower,
  newUpper,
  ...limits.flatMap(({ wear, plan, judges }) => (isSpread(judges) ? [] : [wear, plan])),
]

/** Everything typed as it is sent, or the fields that cannot be used. */
export function typedOf(
  form: TypedForm,
  {
    id,
    before,
    book,
    system,
    newPart,
    resolutions = [],
  }: {
    id: string
    before: Typed | null
    book: LimitBook
    system: UnitSystem
    newPart: string
    /** Steps of the gauges in the store that it may be taken with. */
    resolutions?: readonly number[]
  },
): Result<TypedCharacteristic, readonly FieldSays[]> {
  const faults: FieldSays[] = []
  const wants = (isThere: boolean, at: string, says: string): void => {
    if (!isThere) faults.push({ at, says })
  }
  const has = (text: string): boolean => text.trim() !== ''
  const known = book.parts.find((part) => part.id === form.part)
  wants(known !== undefined || has(form.partName), 'partName', say.nameThePart)
  wants(has(form.name), 'name', say.nameWhatMeasured)
  const method = methodOf(form, before, system)
  if (!method.ok) faults.push(...method.fault)
  const hasNew = [form.newLower, form.newUpper, form.newNominal].some(has)
  wants(!hasNew || has(form.newLower), 'newLower', say.typeLeastNew)
  const byClass = writtenClass(form.newLower, system) !== null
  wants(!hasNew || byClass || has(form.newUpper), 'newUpper', say.typeGreatestNew)
  const rows = form.limits.filter((row) => has(row.wear) || has(row.plan))
  // What has no figure needs no document to have it from.
  const isOwn = form.isOwn || (!hasNew && rows.length === 0 && !has(form.document))
  wants(isOwn || has(form.document), 'document', say.nameDocumentLimit)
  wants(isOwn || !hasNew || has(form.newPage), 'newPage', say.namePage)
  if (!method.ok) return err(faults)
  const value: TypedCharacteristic = {
    name: form.name.trim(),
    part: known
      ? { id: known.id, name: known.name, assembly: known.assembly, position: known.position }
      : {
          id: newPart,
          name: form.partName.trim(),
          assembly: form.assembly.trim() || say.machine,
          position: form.position.trim() || form.partName.trim(),
          sitsIn: form.sitsIn === '' ? null : form.sitsIn,
        },
    method: method.value as TypedCharacteristic['method'],
    gaugeKind: form.gaugeKind === '' ? usualGaugeOf(form.kind) : form.gaugeKind,
    readTo: form.readTo.trim() || usualStep(method.value, system, typedFigures(form), resolutions),
    how: form.how.trim(),
    document: isOwn
      ? { id: OWN_DOCUMENT, title: ownDocumentTitle, revision: '' }
      : {
          id: form.document.trim(),
          title: form.documentTitle.trim() || form.document.trim(),
          revision: form.documentRevision.trim(),
        },
    new: hasNew
      ? {
          nominal: form.newNominal.trim() || null,
          lower: form.newLower.trim(),
          // A class gives both ends.
          upper: form.newUpper.trim() || form.newLower.trim(),
          page: isOwn ? OWN_PAGE : form.newPage.trim(),
        }
      : null,
    limits: rows.map((row) => ({
      judges: row.judges === '' ? usualJudge(method.value, row.side) : (row.judges as ReductionName),
      side: row.side,
      wear: row.wear.trim(),
      plan: row.plan.trim() || null,
      whenPassed: row.whenPassed,
      instruction: row.instruction.trim(),
      page: isOwn ? OWN_PAGE : row.page.trim(),
    })),
    ...(form.setting ? { setting: settingAsked(form.setting) } : {}),
    safety: form.safety,
  }
  const isNamed = (at: string): boolean => form.limits.some(({ page }, row) => at === `limits.${row}.page` && has(page))
  // All that is wrong is told at once; a field that is empty is not told to be no figure too.
  const refused = typedFaults(id, value, book, system)
    .map((fault) => atField(fault, (at) => form.limits.indexOf(rows[at] as LimitRow)))
    .filter(({ at }) => at === '' || !faults.some((fault) => fault.at === at || (fault.at === 'document' && isNamed(at))))
  return faults.length + refused.length === 0 ? ok(value) : err([...faults, ...refused])
}

/** The field that a fault is mended in; `rowOf`: where a limit that was sent stands on the form. */
function atField(fault: TypedFault, rowOf: (at: number) => number): FieldSays {
  switch (fault.code) {
    case 'limit':
      return { at: `limits.${rowOf(fault.row)}.${fault.at}`, says: cellFaultWords(fault) }
    case 'figure':
    case 'sizeClass':
      return { at: FIELD_OF[fault.figure], says: typedFaultWords(fault) }
    case 'newEndsSwapped':
      return { at: 'newLower', says: typedFaultWords(fault) }
    case 'nameTaken':
      return { at: 'name', says: typedFaultWords(fault) }
    case 'documentTaken':
      return { at: 'document', says: typedFaultWords(fault) }
    default:
      return { at: '', says: typedFaultWords(fault) }
  }
}
const FIELD_OF = { readTo: 'readTo', newLeast: 'newLower', newGreatest: 'newUpper', nominal: 'newNominal' } as const

/** The same measurement on another part: named after it, limited alike, from the same document. */
export function sameFor(
  value: TypedCharacteristic,
  own: Pick<LimitBook['parts'][number], 'name'>,
  { id, name, assembly, position }: LimitBook['parts'][number],
): TypedCharacteristic {
  const renamed = value.name.includes(own.name) ? value.name.replace(own.name, name) : `${name}: ${value.name}`
  // What a setting rests on there is not what it rests on here.
  const setting = value.setting && { ...value.setting, ...(value.setting.is === 'wear' ? {} : { chain: [id] }) }
  return { ...value, name: renamed.slice(0, 200), part: { id, name, assembly, position }, ...(setting ? { setting } : {}) }
}
