import fc from 'fast-check'
import { expect, test } from 'vitest'
import { gaugeLine, LineCutter, parseGaugeLine } from './lineProtocol'

const bare = (text: string): string => gaugeLine(text).trimEnd()

test.each([
  { line: bare('HELLO 1 OM-20'), gives: { kind: 'hello', gauge: 'OM-20', secret: null } },
  { line: bare('HELLO 2 OM-20 K7QX3MPA9D'), gives: { kind: 'hello', gauge: 'OM-20', secret: 'K7QX3MPA9D' } },
  { line: bare('HELLO 3 OM-20 K7QX3MPA9D'), gives: { kind: 'noise', why: 'version' } },
  { line: 'POST /api HTTP/1.1', gives: { kind: 'noise', why: 'shape' } },
  { line: bare('READ 17 6.082 mm'), gives: { kind: 'read', number: 17, figure: '6.082', unit: 'mm' } },
  { line: bare('READ 18 -0.012 mm'), gives: { kind: 'read', number: 18, figure: '-0.012', unit: 'mm' } },
  { line: bare('PING'), gives: { kind: 'ping' } },
  { line: bare('BYE'), gives: { kind: 'bye' } },
  { line: bare('HELLO 2 OM-20'), gives: { kind: 'noise', why: 'version' } },
  { line: bare('READ 17 6,082 mm'), gives: { kind: 'noise', why: 'shape' } },
  { line: bare('READ 17 6.082'), gives: { kind: 'noise', why: 'shape' } },
  { line: 'READ 17 6.082 mm', gives: { kind: 'noise', why: 'shape' } },
  { line: bare('READ 17 6.082 mm').replace('6.082', '6.982'), gives: { kind: 'noise', why: 'checksum' } },
])('$line', ({ line, gives }) => {
  expect(parseGaugeLine(line)).toEqual(gives)
})

test('however the wire cuts the lines, they come out whole and in order', () => {
  const line = fc.integer({ min: 1, max: 999 }).map((number) => gaugeLine(`READ ${number} 1.5 mm`))
  fc.assert(
    fc.property(
      fc.array(line, { maxLength: 8 }),
      fc.array(fc.nat({ max: 30 }), { minLength: 1, maxLength: 20 }),
      (lines, cuts) => {
        const cutter = new LineCutter()
        const all = lines.join('')
        const out: string[] = []
        let at = 0
        for (let turn = 0; at < all.length; turn += 1) {
          const size = (cuts[turn % cuts.length] ?? 1) + 1
          out.push(...cutter.push(all.slice(at, at + size)))
          at += size
        }
        expect(out).toEqual(lines.map((one) => one.trimEnd()))
      },
    ),
    { seed: 232 },
  )
})

test('one changed sign is never read as another figure', () => {
  const good = bare('READ 17 6.082 mm')
  fc.assert(
    fc.property(fc.nat({ max: good.length - 1 }), fc.string({ unit: 'binary-ascii', minLength: 1, maxLength: 1 }), (at, sign) => {
      const touched = good.slice(0, at) + sign + good.slice(at + 1)
      const parsed = parseGaugeLine(touched)
      if (touched !== good) expect(parsed.kind).toBe('noise')
    }),
    { seed: 232, numRuns: 500 },
  )
})

test('noise without an end is dropped, and the next line is heard', () => {
  const cutter = new LineCutter()
  expect(cutter.push('x'.repeat(10_000))).toEqual([])
  expect(cutter.push(`${'y'.repeat(50)}\n${gaugeLine('PING')}`)).toEqual([bare('PING')])
})
