/** A Medida of its own for the tests: started as people start it, on a free port, with a data folder that goes afterwards. */

import { type ChildProcess, spawn, spawnSync } from 'node:child_process'
import { appendFileSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { root } from '../../scripts/bootstrap.mjs'
import { dayOf, now } from '../../src/clock/clock'

const START_MS = 180_000 // the first start builds

const environment = (): NodeJS.ProcessEnv => {
  const { DATABASE_URL: _, DATABASE_OWNER_URL: __, PUBLIC_URL: ___, MEDIDA_SIGNING_KEY: ____, ...rest } = process.env
  return rest
}

const isFree = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const probe = createServer().once('error', () => resolve(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
  })

/**
 * A port for a server, with the one after it for its gauges. Below those that Linux gives to connections going out: one found free
 * there may be taken before it is used.
 */
export async function freePort(): Promise<number> {
  for (;;) {
    const port = 10_000 + Math.floor(Math.random() * 20_000)
    if ((await isFree(port)) && (await isFree(port + 1))) return port
  }
}

export interface Run {
  readonly status: number | null
  readonly stdout: string
  readonly stderr: string
}

/** Runs one of the project's commands to its end, as `npm run` would. */
export function command(script: string, args: readonly string[], env: NodeJS.ProcessEnv = {}): Run {
  const done = spawnSync(process.execPath, [join(root, 'scripts', `${script}.mjs`), ...args], {
    cwd: root,
    encoding: 'utf8',
    env: { ...environment(), ...env },
  })
  return { status: done.status, stdout: done.stdout, stderr: done.stderr }
}

/**
 * The data folder as a first start leaves it, laid out once for all workers (`beginning.ts`) and copied from then on, which takes
 * a tenth of the time.
 */
const BEGINNING = 'MEDIDA_E2E_BEGINNING'
const LAID_OUT_ON = 'MEDIDA_E2E_LAID_OUT_ON'

/** The day on which the demo was laid out that every spec begins with. */
export const laidOutOn = (): string => process.env[LAID_OUT_ON] ?? dayOf(now())

/** As a copy of its own; with its owners, because a cluster started by root belongs to somebody else. */
function copyFolder(from: string, to: string): void {
  rmSync(to, { recursive: true, force: true })
  const { status, stderr } = spawnSync('cp', ['-a', from, to], { encoding: 'utf8' })
  if (status !== 0) throw new Error(stderr)
}

const newFolder = (): string => mkdtempSync(join(tmpdir(), 'medida-e2e-'))

export class Medida {
  private child: ChildProcess | undefined
  private said = ''

  private constructor(
    readonly port: number,
    readonly dataFolder: string,
    private readonly databaseUrl: string | null,
    private readonly ownerUrl: string | null,
  ) {}

  /** `asItIs`: with what lies in the data folder. */
  static async start(
    options: {
      DATABASE_URL?: string
      DATABASE_OWNER_URL?: string
      dataFolder?: string
      asItIs?: boolean
      args?: readonly string[]
    } = {},
  ): Promise<Medida> {
    const medida = new Medida(
      await freePort(),
      options.dataFolder ?? newFolder(),
      options.DATABASE_URL ?? null,
      options.DATABASE_OWNER_URL ?? null,
    )
    if (options.DATABASE_URL === undefined && !options.asItIs) await medida.startOver()
    else await medida.startAgain(options.args)
    return medida
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`
  }

  /** Everything the last start printed. */
  get output(): string {
    return this.said
  }

  async startAgain(options: readonly string[] = []): Promise<void> {
    this.said = ''
    const args = [join(root, 'scripts', 'start.mjs'), '--port', String(this.port), '--data', this.dataFolder, ...options]
    const env =
      this.databaseUrl === null
        ? environment()
        : {
            ...environment(),
            DATABASE_URL: this.databaseUrl,
            ...(this.ownerUrl === null ? {} : { DATABASE_OWNER_URL: this.ownerUrl }),
          }
    const child = spawn(process.execPath, args, { cwd: root, env })
    this.child = child
    await new Promise<void>((resolve, reject) => {
      const late = setTimeout(() => reject(new Error(`Medida did not start:\n${this.said}`)), START_MS)
      const hear = (chunk: Buffer): void => {
        this.said += chunk.toString()
        if (!this.said.includes('Ctrl-C stops it.')) return
        clearTimeout(late)
        resolve()
      }
      child.stdout?.on('data', hear)
      child.stderr?.on('data', hear)
      child.once('exit', (code) => reject(new Error(`Medida ended with ${code}:\n${this.said}`)))
    })
  }

  /** A new database with the demo data, as every spec begins. */
  async startOver(): Promise<void> {
    await this.end('SIGINT')
    // The tests have it laid out before they begin; a script that starts a Medida does it now.
    if (process.env[BEGINNING] === undefined) process.once('exit', await Medida.layOut())
    copyFolder(process.env[BEGINNING] ?? '', this.dataFolder)
    await this.startAgain()
  }

  /** Builds, lays out the folder that every spec begins with, and answers how it is taken away again. */
  static async layOut(): Promise<() => void> {
    const medida = new Medida(await freePort(), newFolder(), null, null)
    process.env[LAID_OUT_ON] = dayOf(now())
    await medida.startAgain(['--fresh'])
    await medida.end('SIGINT')
    // The tests end processes, never the machine: what the disk of a test machine takes to be sure is not waited for.
    appendFileSync(join(medida.dataFolder, 'postgres', 'postgresql.auto.conf'), 'fsync = off\nfull_page_writes = off\n')
    process.env[BEGINNING] = medida.dataFolder
    return () => rmSync(medida.dataFolder, { recursive: true, force: true })
  }

  /** Ends the server: asked to (SIGINT) or cut off (SIGKILL). */
  async end(signal: 'SIGINT' | 'SIGKILL'): Promise<void> {
    const child = this.child
    if (!child || child.exitCode !== null || child.signalCode !== null) return
    const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()))
    child.kill(signal)
    await gone
  }

  /** Ends the server and removes what it kept. */
  async clear(): Promise<void> {
    await this.end('SIGINT')
    rmSync(this.dataFolder, { recursive: true, force: true })
  }
}
