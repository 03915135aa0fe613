import type { Path } from '../book/path'
import { fieldWords } from './bookFieldWords'
import { sheetNames } from './bookSheets'
import { licensedFieldName } from './cautions'
import { findingWords, severityName } from './findings'
import { bearingClassWords, clearanceTypeWords, fitKindWords } from './fits'
import { gaugeKindName } from './gauges'
import { stageName, stepName, valueName, verdictName } from './labels'
import { methodName } from './methods'
import { quantityName } from './quantities'
import { meansName, natureName } from './settings'

type Words = Readonly<Record<string, string>>

/** Where one name means something else in one list. */
const inList: Readonly<Record<string, Words>> = {
  crossChecks: { also: 'And by', within: 'Within' },
  procedure: { at: 'How far' },
  levels: { gate: 'Gate', safety: 'Safety gear' },
  patterns: { limits: 'Limits', rows: 'Rows' },
  equalParts: { places: 'Places' },
  fits: { part: 'What floats', shaft: 'Shaft', thickness: 'Thickness', seat: 'Seat' },
}

/** What a field of a book is called, by the list it stands in and its way from there. */
export function bookFieldName(list: string, path: Path): string {
  const key = path.findLast((step): step is string => typeof step === 'string') ?? list
  return inList[list]?.[key] ?? fieldWords[key] ?? sheetNames.header(list, key)
}

const words: Readonly<Record<string, Words>> = {
  'method.kind': methodName,
  'fits.kind': fitKindWords,
  'service.kind': {
    always: 'renewed always',
    everyNth: 'renewed at every n-th overhaul',
    afterHours: 'renewed after hours',
    afterStarts: 'renewed after starts',
    whenDisturbed: 'renewed when disturbed',
    withMate: 'renewed with other parts',
    set: 'one verdict with other parts',
  },
  'depends.kind': { hours: 'hours run', size: 'a new size', variant: 'what is fitted', formula: 'a formula' },
  'equalParts.kind': { rotation: 'change places', pairing: 'paired anew', alike: 'equal places' },
  'arrangement.kind': { ring: 'a ring', rows: 'rows' },
  'gauges.kind': gaugeKindName,
  'handTests.kind': {
    roughTurning: 'roughness when turned',
    rocks: 'rocks by hand',
    gearSlack: 'lost motion between gears',
    oilState: 'state of the oil',
  },
  walk: { stationFirst: 'around, then along', directionFirst: 'along, then around' },
  springs: { outward: 'outward, in a bore', inward: 'inward, on a rod' },
  what: { toothThickness: 'tooth thickness' },
  arranged: { circle: 'a circle', rings: 'rings' },
  taken: { loosening: 'loosening', tighteningFurther: 'tightening further', final: 'final' },
  quantity: quantityName,
  gaugeKind: gaugeKindName,
  otherGauges: gaugeKindName,
  judges: valueName,
  value: valueName,
  side: { upper: 'not above', lower: 'not below' },
  whenPassed: { mend: 'mend', replace: 'replace' },
  from: { ...stageName, lastOverhaul: 'The last overhaul' },
  to: stageName,
  tolerance: bearingClassWords,
  type: clearanceTypeWords,
  'setting.is': natureName,
  'setting.by': meansName,
  'setting.values': valueName,
  effect: {
    takesOff: 'takes off',
    buildsUp: 'builds up',
    renews: 'renews',
    refits: 'sets, cleans or refits',
  },
  thickerPad: { opens: 'opens the gap', closes: 'closes the gap' },
  does: { opens: 'opens the gap', closes: 'closes the gap' },
  licensed: licensedFieldName,
  phase: stepName,
  at: { slackenOnly: 'slacken only', notYet: 'not yet', onlySoFar: 'only so far' },
  thread: { left: 'left-hand', right: 'right-hand' },
  asks: verdictName,
  kinds: Object.fromEntries(Object.entries(findingWords).map(([kind, { label }]) => [kind, label])),
  severityAtLeast: severityName,
}

/** What one of the choices of a field is called. */
export function bookChoiceName(list: string, path: Path, value: string): string {
  const keys = path.filter((step): step is string => typeof step === 'string')
  const [key = '', holder = list] = [keys.at(-1), keys.at(-2)]
  return words[`${holder}.${key}`]?.[value] ?? words[key]?.[value] ?? value
}
