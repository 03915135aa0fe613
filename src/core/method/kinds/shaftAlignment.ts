import { point } from '../../quantity/interval'
import { figureForm } from '../form'
import { harmonicWeights } from '../harmonics'
import { type Known, linear } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { placesIn } from '../reduce/around'
import { angleOf, harmonicsOf, lengthOf } from '../reduce/clockVector'
import { sheetOf } from '../reduce/places'
import { give, noFaults, type Outcome, type ReduceInput, taken, term, type Values } from '../reduce/taken'
import { anglesField, figureField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheet } from '../sheet'

const shape = ({ z, clockSchema, positiveMm }: Shaping) =>
  z.strictObject({
    kind: z.literal('shaftAlignment'),
    positions: clockSchema,
    /** Diameter of the circle on which the face dial runs, mm; null where only the rim is read. */
    faceDiameterMm: positiveMm.nullable(),
  })
export type ShaftAlignment = Shaped<typeof shape>

/** What the dial runs on. */
export const ALIGNMENT = { rim: 'rim', face: 'face' } as const

/** Two shafts at a coupling by rim and face readings of a dial turned with one of them: offset, and angle between the axes. */
function reduceAlignment(input: ReduceInput<ShaftAlignment>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input)
  const values: Values = {}
  const of = (kind: string) => {
    const at = placesIn(
      method.positions,
      sheet.places.filter(({ direction }) => direction === kind),
      ({ station }) => station,
    )
    return { fit: harmonicsOf(at.places, at.known, guard), read: at.known.filter(({ interval }) => interval !== null).length }
  }
  const rim = of(ALIGNMENT.rim)
  if (rim.fit) {
    // The dial turns about one axis and reads the other's rim: its first harmonic is the offset itself.
    give(values, 'offset', lengthOf(rim.fit.first, guard), {
      quantity: 'length',
      where: { code: 'counted', of: 'rim', count: rim.read },
    })
    give(values, 'offsetAngle', angleOf(rim.fit.first, guard), { quantity: 'angle', where: { code: 'clockwiseFromTop' } })
  }
  const face = of(ALIGNMENT.face)
  if (face.fit && method.faceDiameterMm !== null) {
    const perMetre = 2000 / method.faceDiameterMm
    const { x, y } = face.fit.first
    const slope = { x: scaled(x, perMetre), y: scaled(y, perMetre) }
    const length = lengthOf(slope, guard)
    give(values, 'angularity', length, {
      quantity: 'slope',
      where: { code: 'counted', of: 'face', count: face.read },
      sum: [
        term('faceHarmonic', taken(lengthOf(face.fit.first, guard)), 'length'),
        term('radius', point(method.faceDiameterMm / 2), 'length'),
      ],
    })
    give(values, 'angularityAngle', angleOf(face.fit.first, guard), { quantity: 'angle', where: { code: 'clockwiseFromTop' } })
  }
  return noFaults(values)
}

const scaled = (value: Known, factor: number): Known => linear([[factor, value]], 0)

export const shaftAlignment: MethodKindOf<ShaftAlignment> = {
  shape,
  wears: () => 'larger',
  layout: ({ positions, faceDiameterMm }) =>
    sheet({
      stations: positions,
      directions: [{ id: ALIGNMENT.rim, label: '' }, ...(faceDiameterMm === null ? [] : [{ id: ALIGNMENT.face, label: '' }])],
    }),
  bare: 'directions',
  form: () => figureForm('length', true),
  gives: () => ({ offset: 'length', offsetAngle: 'angle', angularity: 'slope', angularityAngle: 'angle' }),
  canGive: ({ positions, faceDiameterMm }, name) => {
    const isFace = name === 'angularity' || name === 'angularityAngle'
    return harmonicWeights(positions.map(({ angleDeg }) => angleDeg)) !== null && (!isFace || faceDiameterMm !== null)
  },
  reduce: reduceAlignment,
  setUp: [anglesField('positions', '4'), figureField('face', '')],
  build: (a) => ({ kind: 'shaftAlignment', positions: a.clock('positions'), faceDiameterMm: a.figureOrNull('face') }),
  usualGauge: 'dial',
  expects: () => null,
  slips: { byScale: true },
}
