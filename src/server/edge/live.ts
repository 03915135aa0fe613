import pg from 'pg'
import { GAUGE_CHANNEL } from '../../db/queries/gauges'
import { JOB_CHANNEL } from '../../db/queries/jobs'
import { database, databaseUrl, logger } from './runtime'

/** Wakes a watcher with what was said, if anything was. */
type Woken = (word: string | null) => void

/** Said to the watchers of jobs when the connection was lost for a while: anything may have changed. */
export const MISSED = 'missed'

/** After a lost connection, ms. */
const AGAIN_MS = 1_000

/**
 * Hears what is announced on this database's channels by every server, over one connection of this process, and wakes
 * whoever watches. Of a job it is said only that something changed: what, the watcher reads from the database. What a
 * gauge says is small and belongs to nobody until it is accepted: it comes with the word.
 */
class Notices {
  private readonly watchers = new Map<string, Set<Woken>>()
  private listening: Promise<void> | null = null

  /** Watches one thing of a channel until the returned function is called. */
  watch(channel: string, id: string, woken: Woken): () => void {
    const key = `${channel} ${id}`
    const own = this.watchers.get(key) ?? new Set()
    own.add(woken)
    this.watchers.set(key, own)
    return () => {
      own.delete(woken)
      if (own.size === 0 && this.watchers.get(key) === own) this.watchers.delete(key)
    }
  }

  /** Resolves once this process hears; what is read after that misses nothing. */
  hears(): Promise<void> {
    this.listening ??= this.listen()
    return this.listening
  }

  private async listen(): Promise<void> {
    database() // the settings are there, or it throws with a sentence
    const client = new pg.Client({ connectionString: databaseUrl() })
    const lost = (): void => {
      if (this.listening === null) return
      this.listening = null
      void client.end().catch(() => undefined)
      setTimeout(
        () =>
          void this.hears().then(
            () => this.wakeAll(),
            () => undefined,
          ),
        AGAIN_MS,
      ).unref()
    }
    client.on('error', lost).on('end', lost)
    client.on('notification', ({ channel, payload = '' }) => {
      const end = payload.indexOf(' ')
      const id = end < 0 ? payload : payload.slice(0, end)
      for (const woken of this.watchers.get(`${channel} ${id}`) ?? []) woken(end < 0 ? null : payload.slice(end + 1))
    })
    try {
      await client.connect()
      await client.query(`LISTEN ${JOB_CHANNEL}`)
      await client.query(`LISTEN ${GAUGE_CHANNEL}`)
    } catch (error) {
      logger.warn({ err: error instanceof Error ? error.message : String(error) }, 'cannot listen for changes')
      lost()
      throw error
    }
  }

  private wakeAll(): void {
    for (const [key, own] of this.watchers) if (key.startsWith(JOB_CHANNEL)) for (const woken of own) woken(MISSED)
  }
}

export const notices = new Notices()
