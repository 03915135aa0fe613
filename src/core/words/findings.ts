import type { LimitBook } from '../book/bookSchema'
import { type CauseFamily, type FindingKind, findingKindIds, type Severity, type Since } from '../condition/findingKinds'
import type { Finding } from '../notes/state'

export const causeName: Readonly<Record<CauseFamily, string>> = {
  handling: 'Handling',
  fitTooTight: 'Fit too tight',
  fitTooLoose: 'Fit too loose',
  alignment: 'Alignment',
  tooLittleLubricant: 'Too little lubricant',
  tooMuchLubricant: 'Too much lubricant',
  wrongLubricant: 'Wrong lubricant',
  dirtyLubricant: 'Dirty lubricant',
  contamination: 'Contamination',
  moisture: 'Moisture',
  electricity: 'Current through the part',
  vibration: 'Vibration',
  overload: 'Overload',
  fatigue: 'Fatigue',
  operation: 'Way of operation',
}

/** What a finding is called and what is told about it. */
export interface FindingWords {
  readonly label: string
  /** Letters that call it up at the keyboard begin its label; more words by which people know it. */
  readonly alsoCalled: readonly string[]
  /** What to look at or measure to confirm. */
  readonly check: readonly string[]
  /** What usually mends it; the book's own rules come first. */
  readonly mends: string
}

const said = (label: string, alsoCalled: readonly string[], check: readonly string[], mends: string): FindingWords => ({
  label,
  alsoCalled,
  check,
  mends,
})

const SEATS = 'seat sizes against the book'
const SHOULDER = 'squareness of the shoulder'
const RUNOUT = 'runout of the shaft'
const EARTHING = 'earthing brush and insulation'
const SEALS = 'seals and breathers'
const OIL = 'oil: amount, kind, water, particles'
const ALIGNMENT = 'alignment, cold and warm'
const CLEARANCE = 'clearance of the bearing'

export const findingWords: Readonly<Record<FindingKind, FindingWords>> = {
  wearStep: said(
    'Wear step or ridge',
    ['ridge', 'lip'],
    ['size beside the step', CLEARANCE],
    'Dress the ridge; machine to the next step if the size allows.',
  ),
  scoring: said('Scoring', ['grooves'], [OIL, 'filters', CLEARANCE], 'Polish light scores; machine or renew deep ones.'),
  scratch: said('Scratch', [], ['whether a nail catches', 'sealing line'], 'Stone flush; hone a sealing bore while within size.'),
  nick: said('Nick', ['dent'], ['whether it stands proud'], 'Stone the raised edge flush.'),
  burr: said('Burr', [], ['whether it holds the part off its seat'], 'Dress it, clean, measure again.'),
  galling: said(
    'Galling or seizure marks',
    ['seizure', 'pick-up'],
    [CLEARANCE, OIL, 'thermal growth'],
    'Remove picked-up metal, measure both parts; renew when deep.',
  ),
  heatColour: said(
    'Overheating colour',
    ['blueing', 'temper colour'],
    ['hardness', CLEARANCE, OIL],
    'Check hardness; renew when softened.',
  ),
  pitting: said('Pitting', [], [OIL, 'load and alignment'], 'Renew rolling parts; watch gear teeth against the book.'),
  spalling: said('Spalling', ['flaking'], [SEATS, SHOULDER, ALIGNMENT], 'Renew.'),
  brinelling: said(
    'Brinelling (overload dents)',
    ['dents', 'true brinelling'],
    ['how it was mounted', 'spacing equals rolling elements'],
    'Renew.',
  ),
  falseBrinelling: said(
    'False brinelling (vibration at rest)',
    [],
    ['vibration while standing', OIL],
    'Renew; turn standing machines from time to time.',
  ),
  electricPitting: said('Electric pitting', ['craters'], [EARTHING, 'welding earth path'], 'Renew; cure the current path first.'),
  fluting: said('Fluting', ['washboard'], [EARTHING], 'Renew; cure the current path first.'),
  fretting: said('Fretting', ['fretting rust'], [SEATS, 'tightness of the joint'], 'Dress, restore the fit.'),
  creepMarks: said('Creep marks', ['ring creep'], [SEATS], 'Restore the seat; renew the ring when polished thin.'),
  skidSmearing: said('Skid smearing', ['smearing'], ['least load', OIL], 'Renew.'),
  abrasiveWear: said(
    'Abrasive wear',
    ['lapped surface'],
    [SEALS, OIL, 'filters'],
    'Renew what is past its limit; repair seals and filters.',
  ),
  corrosion: said('Corrosion', [], [SEALS, OIL], 'Clean; judge the pits against the book.'),
  rust: said('Rust', [], [SEALS, OIL, 'how it was stored'], 'Polish light rust off; renew rolling parts.'),
  acidEtching: said('Acid etching', ['etching'], [OIL, 'bath strength and time'], 'Renew bearings; change the oil.'),
  erosion: said('Erosion', [], ['flow and solids'], 'Build up and dress to the profile, or renew.'),
  cavitation: said(
    'Cavitation',
    [],
    ['operating range', 'suction head'],
    'Build up and dress to the profile; correct the operating range.',
  ),
  crack: said('Crack', [], ['dye or magnetic test', 'where it starts'], 'Replace unless the book names a repair.'),
  chipped: said('Chipped', ['broken corner'], ['where the piece went'], 'Find the piece; dress or renew by the book.'),
  bent: said('Bent', ['bow'], [RUNOUT], 'Straighten only by the book; else renew.'),
  threadDamage: said(
    'Thread damage',
    ['stripped thread'],
    ['gauge go and no-go', 'torque figure used'],
    'Chase it, insert, or renew.',
  ),
  keywayWorn: said(
    'Worn keyway or spline',
    ['keyway', 'spline'],
    ['width of key and keyway', 'torque changes'],
    'Next key size, or renew.',
  ),
  carbon: said('Carbon or varnish', ['varnish', 'lacquer', 'coke'], ['temperatures', OIL], 'Clean without touching the size.'),
  contamination: said('Contamination', ['dirt', 'swarf'], ['what it is and where it came in', SEALS], 'Clean, find the source.'),
  leakTrack: said('Leak track', ['weeping'], ['sealing face', 'gasket thickness'], 'Renew the seal, dress the face.'),
  loosePart: said(
    'Loose or missing part',
    ['missing', 'loose'],
    ['where it went', 'locking'],
    'Find it before crossCheck; renew and lock.',
  ),
  wrongPart: said('Wrong part', [], ['identification against the book'], 'Fit the right part.'),
  metalTouch: said(
    'Metal-to-metal touch',
    ['rub', 'contact'],
    [CLEARANCE, RUNOUT, ALIGNMENT],
    'Restore the clearance, dress the touched places.',
  ),
  cageDamage: said('Cage damage', [], [OIL, ALIGNMENT, 'speed changes'], 'Renew the bearing.'),
  hardElastomer: said(
    'Hardened or cut elastomer',
    ['hard seal', 'cut lip'],
    ['temperature', OIL, 'edge it was fitted over'],
    'Renew.',
  ),
  roughTurning: said(
    'Rough when turned slowly',
    ['roughness'],
    ['look of oil and grease', 'look of the raceways'],
    'Wash and feel again; renew when still rough.',
  ),
  rocks: said('Rocks by hand', ['slack', 'rock'], [CLEARANCE, SEATS], 'Measure the clearance; recondition by the book.'),
  gearSlack: said(
    'Slack between gears',
    ['lost motion', 'backlash'],
    ['backlash', 'contact pattern'],
    'Measure the backlash; judge by the book.',
  ),
  oilState: said(
    'State of the oil',
    ['oil', 'drained oil'],
    ['sample to the laboratory', 'filters and magnets'],
    'Change; find the source.',
  ),
}

export const severityName: Readonly<Record<Severity, string>> = { light: 'Light', marked: 'Marked', severe: 'Severe' }

export const sinceName: Readonly<Record<Since, string>> = {
  service: 'in service',
  earlierRepair: 'from an earlier repair',
  cleaning: 'from cleaning',
  dismantling: 'from this dismantling',
  unknown: 'not known',
}

/** Kinds whose label or other names begin with, then contain, the letters typed. */
export function findKinds(letters: string): FindingKind[] {
  const wanted = letters.trim().toLowerCase()
  if (wanted === '') return [...findingKindIds]
  const names = (id: FindingKind): string[] =>
    [findingWords[id].label, ...findingWords[id].alsoCalled].map((name) => name.toLowerCase())
  const begins = findingKindIds.filter((id) =>
    names(id).some((name) => name.split(/[\s(]+/).some((word) => word.startsWith(wanted))),
  )
  const contains = findingKindIds.filter((id) => !begins.includes(id) && names(id).some((name) => name.includes(wanted)))
  const first = (id: FindingKind): number => (findingWords[id].label.toLowerCase().startsWith(wanted) ? 0 : 1)
  return [...begins.sort((a, b) => first(a) - first(b)), ...contains]
}

/** Which of the like pieces it is on; null where nobody said. */
export const pieceWords = ({ piece }: Pick<Finding, 'piece'>): string | null => (piece === undefined ? null : `piece ${piece}`)

/** One line that names a finding: what, how bad, on which part, where on it. */
export function findingTitle(book: LimitBook, finding: Finding): string {
  const part = book.parts.find(({ id }) => id === finding.part)
  const station = placeName(book, finding)
  const where = [pieceWords(finding), station, finding.clock === null ? null : `${finding.clock} o’clock`]
    .filter(Boolean)
    .join(', ')
  return `${findingWords[finding.kind].label}, ${finding.severity}: ${part?.name ?? finding.part}${where === '' ? '' : `, ${where}`}`
}

function placeName(book: LimitBook, finding: Finding): string | null {
  if (finding.station === null) return null
  const stations = book.positions.filter(({ part }) => part === finding.part).flatMap(({ stations }) => stations)
  return stations.find(({ id }) => id === finding.station)?.label ?? finding.station
}
