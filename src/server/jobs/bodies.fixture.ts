/** What is sent to open a job and to read something, as a page would send it. */
import { testDay } from '../../../scripts/lib/testDatabase'
import type { OpenJobBody, ReadingBody } from '../../contract/bodies'
import { newId } from '../edge/refused.fixture'

export const opening = (level: string | null): OpenJobBody => ({
  id: newId(),
  level,
  runningHours: 0,
  readOn: testDay,
  reason: 'As found',
  complaint: '',
  returnBy: null,
  mustRunHours: 0,
  starts: null,
  practice: false,
  policy: { acceptance: { kind: 'simple' }, mustLastTheInterval: false, clearanceBy: 'measuredParts' },
  hoursNote: null,
})
export const reading = (over: Partial<ReadingBody>): ReadingBody => ({
  id: newId(),
  characteristic: 'bearing-1-journal',
  station: 'A',
  direction: '1',
  repeat: 1,
  stage: 'asFound',
  kind: 'read',
  text: '79.97',
  conditions: null,
  gauge: 'om-12',
  takenAt: `${testDay}T11:59:00Z`,
  supersedes: null,
  reason: null,
  ...over,
})
