/**
 * What every command does before any package can be imported: check Node, install the locked packages, and load
 * TypeScript. Plain JavaScript with Node's own modules only, because nothing else is there yet in a clean clone.
 */
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'

export const root = dirname(dirname(fileURLToPath(import.meta.url)))

/** Ends the command with one sentence that says what to do. */
export function stop(sentence, code = 1) {
  process.stderr.write(`${sentence}\n`)
  process.exit(code)
}

function checkNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 12))
    stop(`Medida needs Node 20.12 or later; this is ${process.versions.node}. Install a newer Node and start again.`)
}

/** Runs `npm ci` when node_modules does not stand at the lock file; otherwise does nothing. */
function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  const stamp = join(root, 'node_modules', '.medida-lock')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return
  process.stderr.write('Installing packages (npm ci) …\n')
  const run = spawnSync('npm', ['ci', '--loglevel=error', '--ignore-scripts', '--include=dev'], {
    cwd: root,
    // npm's output goes to stderr: stdout belongs to the command that was asked for.
    stdio: ['ignore', 2, 2],
  })
  if (run.status !== 0) stop('npm ci failed; see the lines above. Check the network to the package registry and start again.')
  mkdirSync(dirname(stamp), { recursive: true })
  writeFileSync(stamp, lock)
}

/** Prepares, then runs a TypeScript file of scripts/ in this process. */
export async function runTypeScript(file) {
  checkNode()
  ensurePackages()
  await importTypeScript(join('scripts', file))
}

/**
 * Imports a TypeScript file as one bundle of the project's own sources: to read a thousand modules one by one takes several
 * times as long as to make one of them. Packages stay where they are, and so does this file, which knows the root.
 */
export async function importTypeScript(file) {
  const { build } = await import('esbuild')
  const { outputFiles } = await build({
    absWorkingDir: root,
    entryPoints: [file],
    outdir: BUNDLES,
    bundle: true,
    write: false,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    packages: 'external',
    sourcemap: 'inline',
    logLevel: 'error',
    plugins: [{ name: 'root', setup: ({ onResolve }) => onResolve({ filter: /\/bootstrap\.mjs$/ }, asItIs) }],
  })
  const text = outputFiles[0].text
  const bundle = join(BUNDLES, `${createHash('sha256').update(text).digest('hex').slice(0, 20)}.mjs`)
  if (!existsSync(bundle)) {
    mkdirSync(BUNDLES, { recursive: true })
    // Another command may write the same one: whole or not at all.
    const own = `${bundle}.${process.pid}`
    writeFileSync(own, text)
    renameSync(own, bundle)
    forgetOld(statSync(bundle).mtimeMs)
  }
  process.setSourceMapsEnabled(true)
  await import(pathToFileURL(bundle).href)
}

/** Bundles of sources as they were more than a day before the newest. */
function forgetOld(newest) {
  for (const name of readdirSync(BUNDLES)) {
    const file = join(BUNDLES, name)
    if (newest - statSync(file).mtimeMs > A_DAY) rmSync(file, { force: true })
  }
}

const A_DAY = 86_400_000
const BUNDLES = join(root, 'node_modules', '.medida')
const asItIs = () => ({ path: import.meta.url, external: true })
