import pg from 'pg'
import { JOB_CHANNEL } from '../db/queries/work'
import { database, databaseUrl, logger } from './runtime'

type Woken = () => void

/** After a lost connection, ms. */
const AGAIN_MS = 1_000

/**
 * Hears of changes to jobs from every server on this database, over one connection of this process, and wakes whoever
 * watches that job. It says only that something changed: what, the watcher reads from the database.
 */
class JobChanges {
  private readonly watchers = new Map<string, Set<Woken>>()
  private listening: Promise<void> | null = null

  /** Watches a job until the returned function is called. */
  watch(jobId: string, woken: Woken): () => void {
    const own = this.watchers.get(jobId) ?? new Set()
    own.add(woken)
    this.watchers.set(jobId, own)
    return () => {
      own.delete(woken)
      if (own.size === 0) this.watchers.delete(jobId)
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
    client.on('notification', ({ payload }) => {
      for (const woken of this.watchers.get(payload ?? '') ?? []) woken()
    })
    try {
      await client.connect()
      await client.query(`LISTEN ${JOB_CHANNEL}`)
    } catch (error) {
      logger.warn({ err: error instanceof Error ? error.message : String(error) }, 'cannot listen for changes')
      lost()
      throw error
    }
  }

  private wakeAll(): void {
    for (const own of this.watchers.values()) for (const woken of own) woken()
  }
}

export const jobChanges = new JobChanges()
