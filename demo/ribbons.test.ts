/** The ribbon of every characteristic of the demo records: drawn to a scale that holds everything on it. */
import { describe, expect, test } from 'vitest'
import { evaluate } from '../src/core/evaluate/evaluate'
import type { InspectionRecord } from '../src/core/record/recordSchema'
import { type RibbonModel, ribbonOf, ribbonOfFit } from '../src/drawing/ribbonScale'
import { demoRecord, foundNow } from './record'

const onScale = ({ from, to, new: band, lowerWear, upperWear, plan, ticks, result, ghost, forecastValue }: RibbonModel) => {
  const drawn = [
    ...(band ?? []),
    lowerWear,
    upperWear,
    ...plan,
    ...ticks,
    result?.low ?? null,
    result?.high ?? null,
    ghost,
    forecastValue,
  ]
  expect(Number.isFinite(from) && Number.isFinite(to) && from < to).toBe(true)
  for (const value of drawn)
    if (value !== null && !plan.includes(value)) expect(value > from && value < to, `${value} in ${from} … ${to}`).toBe(true)
}
const ribbon = (record: InspectionRecord, id: string): RibbonModel => {
  const at = record.book.characteristics.findIndex((item) => item.id === id)
  const [characteristic, result] = [record.book.characteristics[at], evaluate(record).characteristics[at]]
  if (!characteristic || !result) throw new Error(`the demo has ${id}`)
  return ribbonOf(characteristic, result, record.job.policy)
}

describe.each([
  ['nothing read', {}],
  ['all read', foundNow],
  ['read far beyond every limit', { journal: Array(6).fill('205'), 'ring-gap-1': ['9'] }],
  ['bounds only', { 'ring-gap-1': ['>1.2'], 'end-float': ['<0.30', '0.31', '0.31'] }],
])('%s', (_what, texts) => {
  const record = demoRecord(texts)
  test.each(record.book.characteristics.map(({ id }) => id))('%s lies on its scale', (id) => {
    const drawn = ribbon(record, id)
    onScale(drawn)
    expect(drawn.result === null).toBe(
      !(id in texts) || evaluate(record).characteristics.find((item) => item.id === id)?.judged === null,
    )
  })
  test('so does every fit', () => {
    const { fits } = evaluate(record)
    record.book.fits.forEach((spec, at) => {
      const fit = fits[at]
      if (fit) onScale(ribbonOfFit(spec, fit))
    })
  })
})

test('readings are drawn where they are what is judged, corrected as they are judged', () => {
  const record = demoRecord(foundNow)
  expect(ribbon(record, 'bearing-bore').ticks).toHaveLength(6)
  // Widths of a strip are no clearances.
  expect(ribbon(record, 'bearing-strip').ticks).toEqual([])
})

test('the pointer is past, inside or beyond as the judged value certainly is', () => {
  const grade = (bore: string) => ribbon(demoRecord({ 'bearing-bore': Array(6).fill(bore) }), 'bearing-bore').result?.grade
  expect([grade('+0.150'), grade('+0.220'), grade('+0.300')]).toEqual([0, 1, 2])
})

test('the last overhaul stays as a ghost beside what is found, and before anything is', () => {
  const before = ribbon(demoRecord({}), 'bearing-bore')
  const after = ribbon(demoRecord(foundNow), 'bearing-bore')
  expect(before.ghost).not.toBeNull()
  expect(after.ghost).toBe(before.ghost)
})
