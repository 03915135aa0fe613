import type { Policy } from '../src/core/record/recordSchema'
import type { Role } from '../src/server/roles'

export interface DemoPerson {
  readonly username: string
  readonly name: string
  readonly role: Role
}

/** Texts as typed, by characteristic, in walking order. */
export type DemoReadings = Readonly<Record<string, readonly string[]>>

export interface DemoOverhaul {
  readonly id: string
  readonly title: string
  readonly date: string
  readonly runningHours: number
  readonly reason: string
  readonly mustRunHours: number
  readonly policy: Policy
  readonly installed: Readonly<Record<string, string>>
  /** Null for the overhaul that is still open. */
  readonly readings: DemoReadings | null
}
