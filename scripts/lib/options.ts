import { createHash } from 'node:crypto'
import { homedir } from 'node:os'
import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { root, stop } from '../bootstrap.mjs'

export interface Options {
  readonly port: number
  readonly dataFolder: string
  readonly fresh: boolean
  /** Of start: no demo; the first administrator is made with a code printed in the terminal. */
  readonly empty: boolean
  /** Serve HTTPS to the local network, for tablets and label codes. */
  readonly lan: boolean
  /** A database that somebody else runs; null for the private cluster. */
  readonly databaseUrl: string | null
  /** The address of that database for the owner of its tables; null where the one above is the owner’s too. */
  readonly databaseOwnerUrl: string | null
  /** Of verify: everything; heads to hold it against; a file to write today's heads to. */
  readonly all: boolean
  readonly against: string | null
  readonly heads: string | null
  /** Of start: a folder for backups, how often (hours), and how many are kept. */
  readonly backups: { readonly folder: string; readonly everyHours: number; readonly keep: number } | null
  /** Of start: gauges may connect over the local network, not from this machine alone. */
  readonly lanGauges: boolean
  readonly rest: readonly string[]
}

const DEFAULT_PORT = 4321
export const isRoot = process.getuid?.() === 0

/** A system user cannot enter a root-only clone, so as root the data lies apart; else in the user's data home. */
function defaultDataFolder(): string {
  const clone = createHash('sha256').update(root).digest('hex').slice(0, 12)
  const base = isRoot ? '/var/lib/medida' : join(process.env.XDG_DATA_HOME ?? join(homedir(), '.local', 'share'), 'medida')
  return join(base, clone)
}

/** The options of the commands that need a database. A wrong option ends the command with a sentence. */
export function readOptions(): Options {
  const { values, positionals } = parse()
  const port = values.port === undefined ? DEFAULT_PORT : Number(values.port)
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    stop(`--port ${values.port} is not a port. Give a number from 1 to 65535.`)
  const [hours, keep] = [Number(values['backup-hours'] ?? 24), Number(values['backup-keep'] ?? 14)]
  if (!(hours >= 0.001 && hours <= 24 * 31)) stop(`--backup-hours ${values['backup-hours']} is no number of hours up to a month.`)
  if (!Number.isInteger(keep) || keep < 1) stop(`--backup-keep ${values['backup-keep']} is no number of backups.`)
  const databaseUrl = process.env.DATABASE_URL || null
  if (databaseUrl !== null && values.fresh)
    stop(
      '--fresh would empty the database that DATABASE_URL names, which Medida does not own. Empty it yourself, then start without --fresh.',
    )
  return {
    port,
    dataFolder: resolve(values.data ?? defaultDataFolder()),
    fresh: values.fresh ?? false,
    empty: values.empty ?? false,
    lan: values.lan ?? false,
    databaseUrl,
    databaseOwnerUrl: process.env.DATABASE_OWNER_URL || null,
    all: values.all ?? false,
    against: values.against ?? null,
    heads: values.heads ?? null,
    backups: values.backups === undefined ? null : { folder: resolve(values.backups), everyHours: hours, keep },
    lanGauges: values['lan-gauges'] ?? false,
    rest: positionals,
  }
}

function parse() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        port: { type: 'string' },
        data: { type: 'string' },
        fresh: { type: 'boolean' },
        empty: { type: 'boolean' },
        lan: { type: 'boolean' },
        all: { type: 'boolean' },
        against: { type: 'string' },
        heads: { type: 'string' },
        backups: { type: 'string' },
        'backup-hours': { type: 'string' },
        'backup-keep': { type: 'string' },
        'lan-gauges': { type: 'boolean' },
      },
    })
  } catch (error) {
    return stop(
      `${(error as Error).message}. Options: --port NUMBER, --data FOLDER, --fresh, --empty, --lan, --lan-gauges, --backups FOLDER, --backup-hours HOURS, --backup-keep COUNT.`,
    )
  }
}
