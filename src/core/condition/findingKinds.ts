/** Families of cause that a finding can point to. */
export const causeFamilies = [
  'handling',
  'fitTooTight',
  'fitTooLoose',
  'alignment',
  'tooLittleLubricant',
  'tooMuchLubricant',
  'wrongLubricant',
  'dirtyLubricant',
  'contamination',
  'moisture',
  'electricity',
  'vibration',
  'overload',
  'fatigue',
  'operation',
] as const
export type CauseFamily = (typeof causeFamilies)[number]

export const causeLabel: Record<CauseFamily, string> = {
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

interface Kind {
  readonly label: string
  /** Letters that call it up at the keyboard begin its label; more words by which people know it. */
  readonly alsoCalled: readonly string[]
  /** Likely families of cause, likeliest first. */
  readonly pointsTo: readonly CauseFamily[]
  /** What to look at or measure to confirm. */
  readonly check: readonly string[]
  /** What usually mends it; the book's own rules come first. */
  readonly mends: string
}

const SEATS = 'seat sizes against the book'
const SHOULDER = 'squareness of the shoulder'
const RUNOUT = 'runout of the shaft'
const EARTHING = 'earthing brush and insulation'
const SEALS = 'seals and breathers'
const OIL = 'oil: amount, kind, water, particles'
const ALIGNMENT = 'alignment, cold and warm'
const CLEARANCE = 'clearance of the bearing'

/** Condition findings of overhaul inspection (rolling bearings: terms of ISO 15243). */
export const findingKinds = {
  wearStep: kind(
    'Wear step or ridge',
    ['ridge', 'lip'],
    ['operation', 'dirtyLubricant', 'alignment'],
    ['size beside the step', CLEARANCE],
    'Dress the ridge; machine to the next step if the size allows.',
  ),
  scoring: kind(
    'Scoring',
    ['grooves'],
    ['dirtyLubricant', 'contamination', 'tooLittleLubricant'],
    [OIL, 'filters', CLEARANCE],
    'Polish light scores; machine or renew deep ones.',
  ),
  scratch: kind(
    'Scratch',
    [],
    ['handling', 'contamination'],
    ['whether a nail catches', 'sealing line'],
    'Stone flush; hone a sealing bore while within size.',
  ),
  nick: kind('Nick', ['dent'], ['handling'], ['whether it stands proud'], 'Stone the raised edge flush.'),
  burr: kind('Burr', [], ['handling'], ['whether it holds the part off its seat'], 'Dress it, clean, measure again.'),
  galling: kind(
    'Galling or seizure marks',
    ['seizure', 'pick-up'],
    ['tooLittleLubricant', 'fitTooTight', 'overload'],
    [CLEARANCE, OIL, 'thermal growth'],
    'Remove picked-up metal, measure both parts; renew when deep.',
  ),
  heatColour: kind(
    'Overheating colour',
    ['blueing', 'temper colour'],
    ['tooLittleLubricant', 'fitTooTight', 'overload'],
    ['hardness', CLEARANCE, OIL],
    'Check hardness; renew when softened.',
  ),
  pitting: kind(
    'Pitting',
    [],
    ['fatigue', 'overload', 'moisture'],
    [OIL, 'load and alignment'],
    'Renew rolling parts; watch gear teeth against the book.',
  ),
  spalling: kind(
    'Spalling',
    ['flaking'],
    ['fatigue', 'overload', 'alignment', 'fitTooTight'],
    [SEATS, SHOULDER, ALIGNMENT],
    'Renew.',
  ),
  brinelling: kind(
    'Brinelling (overload dents)',
    ['dents', 'true brinelling'],
    ['handling', 'overload'],
    ['how it was mounted', 'spacing equals rolling elements'],
    'Renew.',
  ),
  falseBrinelling: kind(
    'False brinelling (vibration at rest)',
    [],
    ['vibration'],
    ['vibration while standing', OIL],
    'Renew; turn standing machines from time to time.',
  ),
  electricPitting: kind(
    'Electric pitting',
    ['craters'],
    ['electricity'],
    [EARTHING, 'welding earth path'],
    'Renew; mend the current path first.',
  ),
  fluting: kind('Fluting', ['washboard'], ['electricity'], [EARTHING], 'Renew; mend the current path first.'),
  fretting: kind(
    'Fretting',
    ['fretting rust'],
    ['fitTooLoose', 'vibration'],
    [SEATS, 'tightness of the joint'],
    'Dress, restore the fit.',
  ),
  creepMarks: kind(
    'Creep marks',
    ['ring creep'],
    ['fitTooLoose'],
    [SEATS],
    'Restore the seat; renew the ring when polished thin.',
  ),
  skidSmearing: kind('Skid smearing', ['smearing'], ['tooLittleLubricant', 'operation'], ['least load', OIL], 'Renew.'),
  abrasiveWear: kind(
    'Abrasive wear',
    ['lapped surface'],
    ['dirtyLubricant', 'contamination'],
    [SEALS, OIL, 'filters'],
    'Renew what is past its limit; mend seals and filters.',
  ),
  corrosion: kind('Corrosion', [], ['moisture', 'contamination'], [SEALS, OIL], 'Clean; judge the pits against the book.'),
  rust: kind(
    'Rust',
    [],
    ['moisture', 'handling'],
    [SEALS, OIL, 'how it was stored'],
    'Polish light rust off; renew rolling parts.',
  ),
  acidEtching: kind(
    'Acid etching',
    ['etching'],
    ['wrongLubricant', 'moisture'],
    [OIL, 'bath strength and time'],
    'Renew bearings; change the oil.',
  ),
  erosion: kind(
    'Erosion',
    [],
    ['contamination', 'operation'],
    ['flow and solids'],
    'Build up and dress to the profile, or renew.',
  ),
  cavitation: kind(
    'Cavitation',
    [],
    ['operation'],
    ['operating range', 'suction head'],
    'Build up and dress to the profile; mend the operating range.',
  ),
  crack: kind(
    'Crack',
    [],
    ['fatigue', 'overload', 'handling'],
    ['dye or magnetic test', 'where it starts'],
    'Replace unless the book names a repair.',
  ),
  chipped: kind(
    'Chipped',
    ['broken corner'],
    ['handling', 'overload'],
    ['where the piece went'],
    'Find the piece; dress or renew by the book.',
  ),
  bent: kind('Bent', ['bow'], ['overload', 'handling'], [RUNOUT], 'Straighten only by the book; else renew.'),
  threadDamage: kind(
    'Thread damage',
    ['stripped thread'],
    ['handling', 'overload'],
    ['gauge go and no-go', 'torque figure used'],
    'Chase it, insert, or renew.',
  ),
  keywayWorn: kind(
    'Worn keyway or spline',
    ['keyway', 'spline'],
    ['fitTooLoose', 'vibration', 'overload'],
    ['width of key and keyway', 'torque changes'],
    'Next key size, or renew.',
  ),
  carbon: kind(
    'Carbon or varnish',
    ['varnish', 'lacquer', 'coke'],
    ['tooMuchLubricant', 'wrongLubricant', 'operation'],
    ['temperatures', OIL],
    'Clean without touching the size.',
  ),
  contamination: kind(
    'Contamination',
    ['dirt', 'swarf'],
    ['contamination', 'dirtyLubricant'],
    ['what it is and where it came in', SEALS],
    'Clean, find the source.',
  ),
  leakTrack: kind(
    'Leak track',
    ['weeping'],
    ['fitTooLoose', 'operation'],
    ['sealing face', 'gasket thickness'],
    'Renew the seal, dress the face.',
  ),
  loosePart: kind(
    'Loose or missing part',
    ['missing', 'loose'],
    ['vibration', 'handling'],
    ['where it went', 'locking'],
    'Find it before closing; renew and lock.',
  ),
  wrongPart: kind('Wrong part', [], ['handling'], ['identification against the book'], 'Fit the right part.'),
  metalTouch: kind(
    'Metal-to-metal touch',
    ['rub', 'contact'],
    ['alignment', 'tooLittleLubricant', 'vibration'],
    [CLEARANCE, RUNOUT, ALIGNMENT],
    'Restore the clearance, dress the touched places.',
  ),
  cageDamage: kind(
    'Cage damage',
    [],
    ['tooLittleLubricant', 'vibration', 'alignment'],
    [OIL, ALIGNMENT, 'speed changes'],
    'Renew the bearing.',
  ),
  hardElastomer: kind(
    'Hardened or cut elastomer',
    ['hard seal', 'cut lip'],
    ['operation', 'wrongLubricant', 'handling'],
    ['temperature', OIL, 'edge it was fitted over'],
    'Renew.',
  ),
  // Hand tests are findings with a quick form of their own.
  roughTurning: kind(
    'Rough when turned slowly',
    ['roughness'],
    ['contamination', 'fatigue', 'handling'],
    ['oil and grease looked at', 'raceways looked at'],
    'Wash and feel again; renew when still rough.',
  ),
  rocks: kind(
    'Rocks by hand',
    ['slack', 'rock'],
    ['fitTooLoose', 'fatigue'],
    [CLEARANCE, SEATS],
    'Measure the clearance; mend by the book.',
  ),
  gearSlack: kind(
    'Slack between gears',
    ['lost motion', 'backlash'],
    ['operation', 'alignment'],
    ['backlash', 'contact pattern'],
    'Measure the backlash; judge by the book.',
  ),
  oilState: kind(
    'State of the oil',
    ['oil', 'drained oil'],
    ['moisture', 'dirtyLubricant', 'contamination'],
    ['sample to the laboratory', 'filters and magnets'],
    'Change; find the source.',
  ),
} as const satisfies Record<string, Kind>

export type FindingKind = keyof typeof findingKinds
export const findingKindIds = Object.keys(findingKinds) as [FindingKind, ...FindingKind[]]
export const kindOf = (id: FindingKind): Kind => findingKinds[id]

export const handTestKinds = ['roughTurning', 'rocks', 'gearSlack', 'oilState'] as const satisfies readonly FindingKind[]
export type HandTestKind = (typeof handTestKinds)[number]

function kind(
  label: string,
  alsoCalled: readonly string[],
  pointsTo: readonly CauseFamily[],
  check: readonly string[],
  mends: string,
): Kind {
  return { label, alsoCalled, pointsTo, check, mends }
}

export const severities = ['light', 'marked', 'severe'] as const
export type Severity = (typeof severities)[number]
export const severityLabel: Record<Severity, string> = { light: 'Light', marked: 'Marked', severe: 'Severe' }
export const severityRank: Record<Severity, number> = { light: 0, marked: 1, severe: 2 }

export const sinceWhen = ['service', 'earlierRepair', 'cleaning', 'dismantling', 'unknown'] as const
export type Since = (typeof sinceWhen)[number]
export const sinceLabel: Record<Since, string> = {
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
  const names = (id: FindingKind): string[] => [kindOf(id).label, ...kindOf(id).alsoCalled].map((name) => name.toLowerCase())
  const begins = findingKindIds.filter((id) =>
    names(id).some((name) => name.split(/[\s(]+/).some((word) => word.startsWith(wanted))),
  )
  const contains = findingKindIds.filter((id) => !begins.includes(id) && names(id).some((name) => name.includes(wanted)))
  const first = (id: FindingKind): number => (kindOf(id).label.toLowerCase().startsWith(wanted) ? 0 : 1)
  return [...begins.sort((a, b) => first(a) - first(b)), ...contains]
}
