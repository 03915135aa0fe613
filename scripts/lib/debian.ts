import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { stop } from '../bootstrap.mjs'
import { isRoot } from './options'

const POSTGRES_ROOT = '/usr/lib/postgresql'
const OLDEST_POSTGRES = 15

/** Folder with the programs of the newest PostgreSQL that Debian has installed here; undefined when none is. */
function findPostgres(): string | undefined {
  if (!existsSync(POSTGRES_ROOT)) return undefined
  const newest = readdirSync(POSTGRES_ROOT)
    .map(Number)
    .filter((version) => version >= OLDEST_POSTGRES && existsSync(join(POSTGRES_ROOT, String(version), 'bin', 'postgres')))
    .sort((a, b) => b - a)[0]
  return newest === undefined ? undefined : join(POSTGRES_ROOT, String(newest), 'bin')
}

/** PostgreSQL's programs, installed from Debian's packages when they are missing. */
export function ensurePostgres(): string {
  const found = findPostgres()
  if (found) return found
  // Debian's package would make and start a cluster of its own; ours is private to the data folder.
  const noMainCluster =
    'test -e /etc/postgresql-common/createcluster.conf || { mkdir -p /etc/postgresql-common && echo "create_main_cluster = false" > /etc/postgresql-common/createcluster.conf; }'
  install('PostgreSQL', ['postgresql'], [['sh', '-c', noMainCluster]])
  return (
    findPostgres() ??
    stop('PostgreSQL was installed, but version 15 or later was not found. Install postgresql-15 and start again.')
  )
}

const CHROMIUM = '/usr/bin/chromium'

/** Headless Chromium for the end-to-end tests, from Debian's packages. */
export function ensureChromium(): string {
  if (!existsSync(CHROMIUM)) install('Chromium', ['chromium'])
  return CHROMIUM
}

function install(what: string, packages: readonly string[], before: readonly string[][] = []): void {
  const command = `apt-get install -y ${packages.join(' ')}`
  if (!existsSync('/usr/bin/apt-get')) stop(`${what} is missing and this is no Debian machine. Install ${what} and start again.`)
  const prefix = isRoot ? [] : ['sudo', '-n']
  if (!isRoot && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status !== 0)
    stop(`${what} is missing, and this user may not install it. Ask an administrator to run: ${command}`)
  process.stderr.write(`Installing ${what} (${command}) …\n`)
  const keepConfiguration = ['-o', 'Dpkg::Options::=--force-confold']
  for (const step of [
    ...before,
    ['apt-get', 'update'],
    ['apt-get', 'install', '-y', '--no-install-recommends', ...keepConfiguration, ...packages],
  ]) {
    const [program = '', ...args] = [...prefix, 'env', 'DEBIAN_FRONTEND=noninteractive', ...step]
    const run = spawnSync(program, args, { stdio: ['ignore', 'ignore', 'inherit'] })
    if (run.status !== 0)
      stop(`${what} could not be installed: “${step.join(' ')}” failed, see above. Install it by hand and start again.`)
  }
}
