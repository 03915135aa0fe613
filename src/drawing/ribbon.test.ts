import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { RibbonModel } from './ribbonScale'
import { describeRibbon, ribbonShapes, type Shape } from './ribbonShapes'

const bore: RibbonModel = {
  quantity: 'length',
  step: 0.001,
  from: 220.1,
  to: 220.6,
  new: [220.18, 220.226],
  lowerWear: null,
  upperWear: 220.46,
  plan: [220.4],
  guard: 0.01,
  ticks: [220.348, 220.412],
  result: { low: 220.412, high: 220.412, expanded: 0.005, grade: 1, complete: true },
  ghost: 220.318,
  forecastValue: 220.5,
}
const options = { width: 500, labels: true, system: 'metric' } as const
const draw = (over: Partial<RibbonModel> = {}, width = 500): readonly Shape[] =>
  ribbonShapes({ ...bore, ...over }, { ...options, width }).shapes
const of = <K extends Shape['kind']>(shapes: readonly Shape[], kind: K) =>
  shapes.filter((shape): shape is Extract<Shape, { kind: K }> => shape.kind === kind)
const wearLines = (shapes: readonly Shape[]) => of(shapes, 'line').filter((line) => line.stroke === 'wear' && line.x1 === line.x2)

describe('what is drawn where', () => {
  test('one millimetre of the scale is the same length everywhere', () => {
    expect(wearLines(draw()).map(({ x1 }) => x1)).toEqual([360])
    expect(of(draw(), 'rect').find(({ fill }) => fill === 'bandNew')).toMatchObject({ x: 80, width: 46 })
  })

  test('the forbidden zone is hatched beyond the limit only, on both sides where there are two', () => {
    const hatches = (shapes: readonly Shape[]) =>
      of(shapes, 'path')
        .filter(({ stroke }) => stroke === 'wear')
        .flatMap(({ d }) =>
          [...d.matchAll(/M([\d.]+) [\d.]+L([\d.]+) /g)].map(([, x1, x2]) => ({ x1: Number(x1), x2: Number(x2) })),
        )
    expect(hatches(draw()).length).toBeGreaterThan(10)
    expect(hatches(draw()).every(({ x1, x2 }) => x1 >= 360 && x2 <= 500)).toBe(true)
    const both = draw({ lowerWear: 220.15 })
    expect(wearLines(both).map(({ x1 }) => x1)).toEqual([50, 360])
    expect(hatches(both).every(({ x1, x2 }) => x2 <= 50 || x1 >= 360)).toBe(true)
  })

  test('however uncertain, nothing is drawn beyond the ends of the scale', () => {
    const wide = fc.double({ min: 0, max: 5, noNaN: true })
    fc.assert(
      fc.property(wide, wide, fc.double({ min: 220.1, max: 220.6, noNaN: true }), (expanded, guard, value) => {
        const shapes = draw({ guard, lowerWear: 220.15, result: { low: value, high: value, expanded, grade: 0, complete: true } })
        for (const { x, width } of of(shapes, 'rect')) {
          expect(x).toBeGreaterThanOrEqual(0)
          expect(x + width).toBeLessThanOrEqual(500.01)
        }
        for (const { x1, x2 } of of(shapes, 'line')) {
          expect(Math.min(x1, x2)).toBeGreaterThanOrEqual(0)
          expect(Math.max(x1, x2)).toBeLessThanOrEqual(500)
        }
      }),
      { seed: 741 },
    )
  })

  test('the allowance used runs from the new band to the result', () => {
    expect(of(draw(), 'rect').find(({ fill }) => fill === 'bandUsed')).toMatchObject({ x: 126, width: 186 })
    const inside = { low: 220.2, high: 220.2, expanded: 0, grade: 0, complete: true } as const
    expect(of(draw({ result: inside }), 'rect').some(({ fill }) => fill === 'bandUsed')).toBe(false)
  })

  test('the pointer is hollow while readings are missing, and absent before the first', () => {
    const pointer = (shapes: readonly Shape[]) =>
      of(shapes, 'path').find(({ fill }) => fill === 'pointer' || fill === 'sheet')?.fill
    expect(pointer(draw())).toBe('pointer')
    expect(pointer(draw({ result: { low: 220.3, high: 220.3, expanded: 0, grade: 0, complete: false } }))).toBe('sheet')
    expect(pointer(draw({ result: null, forecastValue: null }))).toBeUndefined()
  })

  test('a guard band lies on both sides of the limit, and none is drawn under simple acceptance', () => {
    expect(of(draw(), 'rect').find(({ fill }) => fill === 'guard')).toMatchObject({ x: 350, width: 20 })
    expect(of(draw({ guard: 0 }), 'rect').some(({ fill }) => fill === 'guard')).toBe(false)
  })

  test('a forecast that goes nowhere has no arrow', () => {
    const arrows = (shapes: readonly Shape[]) =>
      of(shapes, 'path').filter(({ fill, stroke }) => fill === null && stroke === 'pointer').length
    expect([arrows(draw()), arrows(draw({ forecastValue: 220.413 })), arrows(draw({ forecastValue: null }))]).toEqual([1, 0, 0])
  })

  test('figures that would run into each other are left out, the wear limit never', () => {
    const texts = (width: number) => of(draw({}, width), 'text').map(({ text }) => text)
    expect(texts(500)).toEqual(['220.460', '220.180', '220.400'])
    expect(texts(120)).toEqual(['220.460', '220.180'])
  })
})

test('in words, for those who cannot see it', () => {
  expect(describeRibbon(bore, 'metric')).toBe(
    'result 220.412 ± 0.005 mm, wear limit at most 220.460 mm, last overhaul 220.318 mm, expected at the next overhaul 220.500 mm',
  )
  expect(describeRibbon({ ...bore, result: null, ghost: null, forecastValue: null }, 'inch')).toBe(
    'not measured yet, wear limit at most 8.67953 in',
  )
})

test('whatever is measured, every shape stays finite and inside the ribbon', () => {
  const within = fc.double({ min: 220.1, max: 220.6, noNaN: true })
  fc.assert(
    fc.property(within, within, fc.option(within), fc.array(within, { maxLength: 8 }), (value, ghost, forecast, ticks) => {
      const shapes = draw({
        result: { low: value, high: value, expanded: 0, grade: 0, complete: true },
        ghost: ghost,
        forecastValue: forecast,
        ticks: ticks,
      })
      for (const shape of shapes)
        for (const [name, figure] of Object.entries(shape)) {
          if (typeof figure !== 'number') continue
          expect(Number.isFinite(figure), `${shape.kind} ${name}`).toBe(true)
          if (/^x\d?$/.test(name)) expect(figure >= -0.01 && figure <= 500.01, `${shape.kind} ${name} ${figure}`).toBe(true)
        }
    }),
    { seed: 14253 },
  )
})
