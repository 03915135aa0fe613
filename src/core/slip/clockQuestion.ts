import type { SlipQuestion } from './slip'

const DAY_MS = 86_400_000

export interface Clocks {
  /** Clock of the device, ms. */
  readonly device: number
  /** How far it went before the server's when the page was made, ms; null where the page was not made now. */
  readonly ahead: number | null
  /** Day the job was opened, ISO 8601. */
  readonly openedOn: string
}

/** Questions the clock of a device by which a reading would be taken a day in the future, or before its job was opened. */
export function clockQuestion({ device, ahead, openedOn }: Clocks): SlipQuestion | null {
  const early = device < Date.parse(`${openedOn}T00:00:00Z`) - DAY_MS
  const late = ahead !== null && ahead > DAY_MS
  return early || late ? { code: 'clockOff', device: new Date(device).toISOString(), openedOn, likely: null } : null
}
