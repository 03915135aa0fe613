import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { buildSync } from 'esbuild'
import { root, stop } from '../bootstrap.mjs'

const INPUTS = ['src', 'public', 'astro.config.ts', 'package-lock.json', 'tsconfig.json']
const KEPT_BUILDS = 3

function filesBelow(path: string): string[] {
  if (!existsSync(path)) return []
  if (statSync(path).isFile()) return [path]
  return readdirSync(path)
    .sort()
    .flatMap((name) => filesBelow(join(path, name)))
}

function hashOfInputs(): string {
  const hash = createHash('sha256')
  for (const file of INPUTS.flatMap((input) => filesBelow(join(root, input)))) {
    if (/\.test\.tsx?$/.test(file)) continue
    hash.update(file.slice(root.length)).update('\0').update(readFileSync(file))
  }
  return hash.digest('hex').slice(0, 16)
}

/**
 * Builds the application unless this very source is built already, and answers the folder. Each build has a folder of
 * its own, named by its source: a test run that builds anew leaves a running server's files alone.
 */
export function ensureBuild(): string {
  const builds = join(root, 'dist')
  const folder = join(builds, hashOfInputs())
  if (existsSync(join(folder, 'server', 'entry.mjs'))) return folder
  process.stderr.write('Building …\n')
  const making = `${folder}.making-${process.pid}`
  const astro = join(root, 'node_modules', 'astro', 'astro.js')
  const run = spawnSync(process.execPath, [astro, 'build', '--outDir', making], {
    cwd: root,
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
    encoding: 'utf8',
  })
  if (run.status !== 0) {
    rmSync(making, { recursive: true, force: true })
    stop(`${run.stdout}\n${run.stderr}\nThe build failed; see the lines above.`)
  }
  makeServiceWorker(join(making, 'client'))
  packAhead(join(making, 'client', '_astro'))
  if (existsSync(folder)) rmSync(making, { recursive: true, force: true })
  else renameSync(making, folder)
  forgetOldBuilds(builds)
  return folder
}

const SHELL = 'offline/bench/index.html'

/** The service worker, with the list of what it keeps: the bench's shell, and every script, style and face it may need. */
function makeServiceWorker(client: string): void {
  const hashed = readdirSync(join(client, '_astro'))
    .filter((name) => /\.(js|css|woff2)$/.test(name))
    .map((name) => ({ url: `/_astro/${name}`, revision: null }))
  const shell = createHash('sha256')
    .update(readFileSync(join(client, SHELL)))
    .digest('hex')
  buildSync({
    entryPoints: [join(root, 'src', 'offline', 'serviceWorker.ts')],
    outfile: join(client, 'sw.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: {
      FILES_TO_KEEP: JSON.stringify([{ url: `/${SHELL}`, revision: shell }, ...hashed]),
      'process.env.NODE_ENV': '"production"',
    },
    logLevel: 'error',
  })
}

/** Packs scripts and styles once, so that no visit waits for it. */
function packAhead(folder: string): void {
  for (const name of readdirSync(folder).filter((file) => /\.(js|css)$/.test(file))) {
    const path = join(folder, name)
    writeFileSync(`${path}.gz`, gzipSync(readFileSync(path), { level: 9 }))
  }
}

function forgetOldBuilds(builds: string): void {
  const byAge = readdirSync(builds)
    .map((name) => ({ path: join(builds, name), at: statSync(join(builds, name)).mtimeMs }))
    .sort((a, b) => b.at - a.at)
  for (const { path } of byAge.slice(KEPT_BUILDS)) rmSync(path, { recursive: true, force: true })
}
