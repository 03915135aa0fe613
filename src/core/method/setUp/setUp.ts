import { err, ok, type Result } from '../../base/result'
import type { QuantityKind } from '../../quantity/kind'
import type { UnitSystem } from '../../quantity/unitSystem'
import { parseFormula } from '../formula'
import type { Method, MethodKind } from '../method'
import { Answers, LETTERS, NUMERALS, type SetUpAnswers, Unusable } from './answers'

export interface SetUpFault {
  readonly key: string
  readonly says: string
}

/** Names a formula uses, in the order they are met: words that are no function, and no unit after a figure. Empty while it cannot be read. */
export function namesInFormula(text: string): readonly string[] {
  const names = [...text.matchAll(/(\d\s*)?([A-Za-z]\w*)/g)].flatMap(([, figure, word = '']) =>
    figure === undefined && !NO_NAME.has(word) ? [word] : [],
  )
  const parsed = parseFormula(text, names)
  return parsed.ok ? [...new Set(names)] : []
}
const NO_NAME: ReadonlySet<string> = new Set(['min', 'max', 'mean', 'abs', 'sqrt', 'pi'])

/** Makes a method from what was answered, or says which answer cannot be used and why. Lengths come out in mm. */
export function setUpMethod(kind: MethodKind, answers: SetUpAnswers, system: UnitSystem): Result<Method, SetUpFault> {
  try {
    return ok(build(kind, new Answers(kind, answers, system)))
  } catch (fault) {
    if (fault instanceof Unusable) return err({ key: fault.key, says: fault.message })
    throw fault
  }
}

function build(kind: MethodKind, a: Answers): Method {
  const pointsLayout = () => ({
    points: a.places('points'),
    repeatsAtLeast: a.count('repeats', 12),
    repeatabilityLimit: a.figureOrNull('repeatability'),
  })
  switch (kind) {
    case 'outsideDiameter':
      return { kind, stations: a.places('stations', LETTERS), directions: a.places('directions'), walk: a.choice('walk') }
    case 'boreDiameter':
      return {
        kind,
        stations: a.places('stations', LETTERS),
        directions: a.places('directions'),
        walk: a.choice('walk'),
        masterMm: a.figureOrNull('master'),
      }
    case 'size':
      return { kind, what: a.choice('what'), wears: a.choice('wears'), ...pointsLayout() }
    case 'grooveWidth':
    case 'sideClearance':
    case 'shellCrush':
    case 'setDimension':
    case 'straightness':
    case 'markAlignment':
      return { kind, ...pointsLayout() }
    case 'ringEndGap':
      return {
        kind,
        segments: a.places('segments'),
        springs: a.choice('springs'),
        referenceDiameterMm: a.positive('reference'),
        runsIn: a.words('runsIn'),
      }
    case 'gapAtPositions':
      return { kind, positions: a.clock('positions'), wears: a.choice('wears') }
    case 'endFloat':
      return { kind, repeatsAtLeast: a.count('repeats', 12), repeatabilityLimit: a.positive('repeatability') }
    case 'radialPlay': {
      const [dial, bearing] = [a.figureOrNull('leverDial'), a.figureOrNull('leverBearing')]
      if ((dial === null) !== (bearing === null))
        throw new Unusable(dial === null ? 'leverDial' : 'leverBearing', 'The lever needs both lengths, or neither.')
      return {
        kind,
        repeatsAtLeast: a.count('repeats', 12),
        repeatabilityLimit: a.positive('repeatability'),
        lever: dial === null || bearing === null ? null : { dialMm: dial, bearingMm: bearing },
      }
    }
    case 'runout': {
      const stations = a.places('stations', LETTERS)
      const distances = a.list('distances')
      if (distances.length > 0 && distances.length !== stations.length)
        throw new Unusable('distances', `${stations.length} stations need ${stations.length} distances, or none.`)
      return {
        kind,
        stations: stations.map((station, index) => {
          const text = distances[index]
          return { ...station, atMm: text === undefined ? null : a.parse('distances', text, 'length') }
        }),
        angles: a.clock('angles'),
      }
    }
    case 'plasticStrip':
      return {
        kind,
        stations: a.places('stations', LETTERS),
        direction: { id: '1', label: a.words('direction') },
        scale: stripScale(a),
        scaleUncertaintyMm: a.figureOrNull('scaleUncertainty') ?? 0,
      }
    case 'capPinch':
      return {
        kind,
        shims: a.places('shims', (index) => `s${index + 1}`),
        wires: a.places('wires', (index) => `w${index + 1}`),
        shimsWithinMm: a.positive('shimsWithin'),
      }
    case 'alignment':
      return { kind, positions: a.clock('positions'), faceDiameterMm: a.figureOrNull('face') }
    case 'contactPattern':
      return { kind, rows: a.places('rows'), columns: a.places('columns', LETTERS), walk: a.choice('walk') }
    case 'spring': {
      const [longerMm, shorterMm] = [a.positive('longer'), a.positive('shorter')]
      if (longerMm <= shorterMm) throw new Unusable('shorter', 'The shorter length must be shorter than the longer one.')
      return {
        kind,
        longerMm,
        shorterMm,
        workingMm: a.positive('working'),
        newLoadN: a.positive('newLoad'),
        repeatsAtLeast: a.count('repeats', 12),
        repeatabilityLimit: a.figureOrNull('repeatability'),
      }
    }
    case 'openingPressure':
      return {
        kind,
        setBar: a.positive('set'),
        repeatsAtLeast: a.count('repeats', 12),
        repeatabilityLimit: a.positive('repeatability'),
        holdSeconds: a.figureOrNull('hold'),
        looksForDrip: a.words('drip') === 'yes',
      }
    case 'torque':
      return {
        kind,
        fasteners: a.places('fasteners'),
        arranged: a.choice('arranged'),
        taken: a.choice('taken'),
        targetNm: a.positive('target'),
      }
    case 'backlash':
      return { kind, what: a.choice('what'), ...pointsLayout() }
    case 'elements': {
      const count = a.count('count', 400)
      return {
        kind,
        groups: a.places('groups', LETTERS).map((group) => ({ ...group, count })),
        arranged: a.choice('arranged'),
        element: a.words('element'),
        damagedFromPercent: a.positive('damagedFrom'),
      }
    }
    case 'remaining':
      return { kind, what: a.words('what'), ...pointsLayout() }
    case 'meter':
      return { kind, quantity: a.choice('quantity'), wears: a.choice('wears'), ...pointsLayout() }
    case 'benchTest':
      return { kind, quantity: a.choice('quantity'), points: testPoints(a) }
    case 'lookedAt':
      return { kind, points: a.places('points'), question: a.words('question'), wanted: a.choice('wanted') }
    case 'computed':
      return {
        kind,
        formula: a.words('formula'),
        names: formulaNames(a),
        quantity: a.choice('quantity'),
        wears: a.choice('wears'),
      }
  }
}

function stripScale(a: Answers) {
  const scale = a
    .pairs('scale')
    .map(([width, clearance]) => ({
      widthMm: a.parse('scale', width, 'length'),
      clearanceMm: a.parse('scale', clearance, 'length'),
    }))
    .sort((one, other) => one.widthMm - other.widthMm)
  const falls = scale.every((point, index) => {
    const before = scale[index - 1]
    return !before || (point.widthMm > before.widthMm && point.clearanceMm < before.clearanceMm)
  })
  if (scale.length < 2 || !falls)
    throw new Unusable('scale', 'The scale needs two points or more; a wider strip means less clearance.')
  return scale
}

function testPoints(a: Answers) {
  const quantity = a.choice<QuantityKind>('quantity')
  return a.pairs('points').map(([name, band], index) => {
    const [least = '', greatest = '', ...more] = band.split('..').map((end) => end.trim())
    if (more.length > 0 || (least === '' && greatest === '') || !band.includes('..'))
      throw new Unusable('points', `“${band}” is no band: type least..greatest; leave out an end that nothing bounds.`)
    const end = (text: string): number | null => (text === '' ? null : a.parse('points', text, quantity))
    return { id: NUMERALS(index), label: name.slice(0, 200), least: end(least), greatest: end(greatest) }
  })
}

/** `a = characteristic.value; b = …`, as the form writes it from what was chosen. */
function formulaNames(a: Answers) {
  const wanted = namesInFormula(a.words('formula'))
  const parsed = parseFormula(a.words('formula'), wanted)
  if (!parsed.ok) throw new Unusable('formula', parsed.fault)
  if (wanted.length === 0) throw new Unusable('formula', 'The formula names no other result.')
  const named = new Map(a.pairs('names'))
  return Object.fromEntries(
    wanted.map((name) => {
      const of = named.get(name) ?? ''
      const at = of.lastIndexOf('.')
      if (at < 1) throw new Unusable('names', `Choose what “${name}” stands for.`)
      return [name, { characteristic: of.slice(0, at), value: of.slice(at + 1) }]
    }),
  )
}
