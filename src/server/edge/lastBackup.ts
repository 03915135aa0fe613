import { readFileSync } from 'node:fs'
import { z } from 'zod'
import type { LastBackup } from '../../contract/answers'

const lastSchema = z.object({ at: z.iso.datetime() })

/** A backup older than this is said as something to look after. */
const OLD_MS = 48 * 3_600_000

/** When the last backup was made, as its file says; null where none was, or where nobody can know. */
export function lastBackup(now: Date): LastBackup | null {
  const file = process.env.MEDIDA_LAST_BACKUP
  if (!file) return null
  try {
    const { at } = lastSchema.parse(JSON.parse(readFileSync(file, 'utf8')))
    return { at, old: now.getTime() - Date.parse(at) > OLD_MS }
  } catch {
    return { at: null, old: true }
  }
}
