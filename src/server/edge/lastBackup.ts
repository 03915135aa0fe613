import { readFileSync } from 'node:fs'
import { z } from 'zod'
import type { LastBackup } from '../../contract/answers'

const lastSchema = z.object({ at: z.iso.datetime() })

/** When the last backup was made, as its file says; null where none was, or where nobody can know. */
export function lastBackup(): LastBackup | null {
  const file = process.env.MEDIDA_LAST_BACKUP
  if (!file) return null
  try {
    return { at: lastSchema.parse(JSON.parse(readFileSync(file, 'utf8'))).at }
  } catch {
    return { at: null }
  }
}
