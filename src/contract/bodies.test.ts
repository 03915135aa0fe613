import { expect, test } from 'vitest'
import { z } from 'zod'
import { confirmationBody, decisionBody, readingBody, reviewBody } from './bodies'

const id = '01990000-0000-7000-8000-000000000001'
const reading = {
  id,
  characteristic: 'journal',
  station: 'A',
  direction: '1',
  repeat: 1,
  stage: 'asFound',
  text: '219.94',
  gauge: 'om-12',
  takenAt: '2026-11-24T08:00:00Z',
  supersedes: null,
  reason: null,
}
const decision = { id, part: 'shell', recommended: 'hold', decided: 'replace', reason: 'seen a crack' }

const refusals: { name: string; schema: z.ZodType; body: unknown; path: string }[] = [
  { name: 'a reading without a text', schema: readingBody, body: { ...reading, text: '   ' }, path: 'text' },
  { name: 'a reading with a page of text', schema: readingBody, body: { ...reading, text: '1'.repeat(401) }, path: 'text' },
  { name: 'a reading at half a repeat', schema: readingBody, body: { ...reading, repeat: 1.5 }, path: 'repeat' },
  { name: 'a reading of another stage', schema: readingBody, body: { ...reading, stage: 'asNew' }, path: 'stage' },
  { name: 'a reading without a clock', schema: readingBody, body: { ...reading, takenAt: 'now' }, path: 'takenAt' },
  { name: 'a correction without a reason', schema: readingBody, body: { ...reading, supersedes: id }, path: 'reason' },
  {
    name: 'a correction with an empty reason',
    schema: readingBody,
    body: { ...reading, supersedes: id, reason: '  ' },
    path: 'reason',
  },
  { name: 'a confirmation of what is counted', schema: confirmationBody, body: { id, step: 'measure', note: '' }, path: 'step' },
  { name: 'a verdict of hold', schema: decisionBody, body: { ...decision, decided: 'hold' }, path: 'decided' },
  { name: 'a verdict of its own making', schema: decisionBody, body: { ...decision, cost: 3 }, path: '' },
  { name: 'a return without saying why', schema: reviewBody, body: { kind: 'return', id, note: '' }, path: 'note' },
  {
    name: 'a signature without a password',
    schema: reviewBody,
    body: { kind: 'sign', id, password: '', recordSha256: '0'.repeat(64) },
    path: 'password',
  },
  {
    name: 'a signature on no record',
    schema: reviewBody,
    body: { kind: 'sign', id, password: 'x', recordSha256: 'abc' },
    path: 'recordSha256',
  },
  { name: 'something else done with a report', schema: reviewBody, body: { kind: 'burn', id }, path: 'kind' },
]
test.each(refusals)('$name is refused at “$path”', ({ schema, body, path }) => {
  const parsed = schema.safeParse(body)
  expect(parsed.error?.issues.map((issue) => z.core.toDotPath(issue.path))).toContain(path)
})

test('what is right passes, without blanks around', () => {
  expect(readingBody.parse({ ...reading, text: ' 219,94 ' }).text).toBe('219,94')
  expect(decisionBody.parse(decision)).toEqual({ ...decision, route: null })
  expect(decisionBody.parse({ ...decision, route: 'hone' }).route).toBe('hone')
  expect(reviewBody.parse({ kind: 'send', id, note: '' }).kind).toBe('send')
})
