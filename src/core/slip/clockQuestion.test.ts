import { expect, test } from 'vitest'
import { clockQuestion } from './clockQuestion'

const HOUR = 3_600_000
test.each<[what: string, device: string, ahead: number | null, asked: boolean]>([
  ['as the server’s', '2026-11-20T10:00:00Z', 0, false],
  ['an hour before it', '2026-11-20T10:00:00Z', HOUR, false],
  ['on the eve of the job, in another zone', '2026-11-15T13:00:00Z', null, false],
  ['two days before the job', '2026-11-14T10:00:00Z', null, true],
  ['of another year', '2020-01-01T00:00:00Z', -7 * 365 * 24 * HOUR, true],
  ['more than a day in the future', '2026-11-22T10:00:00Z', 25 * HOUR, true],
  ['of a page that was kept, days later', '2026-11-22T10:00:00Z', null, false],
])('a clock %s', (_what, device, ahead, asked) => {
  expect(clockQuestion({ device: Date.parse(device), ahead, openedOn: '2026-11-16' }) !== null).toBe(asked)
})
