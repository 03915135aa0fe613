import { readdirSync, readFileSync } from 'node:fs'
import { createServer, type IncomingMessage, type RequestListener, type Server, type ServerResponse } from 'node:http'
import { createServer as createHttpsServer } from 'node:https'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import compression from 'compression'
import sirv from 'sirv'
import { CLIENT_ADDRESS_HEADER } from '../../src/server/clientAddress'
import type { Certificate } from './certificate'

/** Renders pages, calls and the page of an address that is none. */
type AstroHandler = (request: IncomingMessage, response: ServerResponse) => void

/** Largest body of a request, bytes; single calls allow less. Uploads of pictures are checked again by their call. */
const MOST_BYTES = 1024 * 1024
/** Calls that bring a file: pictures, tables of earlier readings. */
const UPLOADS: readonly (readonly [path: RegExp, mostBytes: number])[] = [
  [/^\/api\/jobs\/[^/]+\/pictures\/?(\?|$)/, 7 * 1024 * 1024],
  [/^\/api\/machines\/[^/]+\/history\/?(\?|$)/, 33 * 1024 * 1024],
]
const mostBytesOf = (url = ''): number => UPLOADS.find(([path]) => path.test(url))?.[1] ?? MOST_BYTES

const SECURITY_HEADERS = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'permissions-policy': 'camera=(self), microphone=(), geolocation=()',
  // Astro starts its islands with small inline scripts.
  'content-security-policy':
    "default-src 'self'; script-src 'self' 'unsafe-inline'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'",
} as const

/** Pages of a job with an island, and the chunk of that island. */
const ISLAND_OF: Readonly<Record<string, string>> = {
  bench: 'Bench',
  strip: 'StripMap',
  look: 'Look',
  plan: 'PlanSheet',
  'make-safe': 'StageSteps',
  'as-found': 'StageSteps',
  gate: 'StageSteps',
  verdicts: 'VerdictBoard',
}
/** What makes any island come alive. */
const RENDERER = 'client'

/** Files that a chunk imports before it can run, not those it asks for later. */
const STATIC_IMPORT = /(?:\bfrom|\bimport)\s*["']\.\/([^"']+\.js)["']/g

/**
 * Names a page's scripts in its head, with everything they import: the browser fetches them with the page, and not one
 * after the other as it finds them, behind the pictures. A chunk that is not there is not named.
 */
function scriptsAhead(buildFolder: string): (url: string) => string | null {
  const folder = join(buildFolder, 'client', '_astro')
  const files = readdirSync(folder).filter((name) => name.endsWith('.js'))
  const importsOf = (name: string): string[] =>
    [...readFileSync(join(folder, name), 'utf8').matchAll(STATIC_IMPORT)].flatMap(([, imported]) => imported ?? [])
  const links = new Map(
    Object.entries(ISLAND_OF).map(([page, island]) => {
      const needed = new Set(files.filter((name) => name.startsWith(`${RENDERER}.`) || name.startsWith(`${island}.`)))
      for (const name of needed) for (const imported of importsOf(name)) needed.add(imported)
      return [page, [...needed].map((name) => `</_astro/${name}>; rel=modulepreload`).join(', ')]
    }),
  )
  return (url) => links.get(/^\/jobs\/[^/]+\/([a-z-]+)\/?(?:\?|$)/.exec(url)?.[1] ?? '') ?? null
}

function refuse(response: ServerResponse, status: number, code: string, message: string): void {
  response.writeHead(status, { 'content-type': 'application/json; charset=utf-8', connection: 'close' })
  response.end(JSON.stringify({ error: { code, message } }))
}

/** What is refused for its size is still read, up to this many bytes: a sender that is cut off sees no answer. */
const MOST_READ_BYTES = 64 * 1024 * 1024

function readToEnd(request: IncomingMessage, then: () => void): void {
  let bytes = 0
  request.on('data', (chunk: Buffer) => {
    bytes += chunk.length
    if (bytes > MOST_READ_BYTES) request.destroy()
  })
  request.once('end', then)
}

/** The server around the built application: security headers, body limits, compression, files, pages. */
export async function createHttpServer(buildFolder: string, certificate: Certificate | null = null): Promise<Server> {
  const { handler } = (await import(pathToFileURL(join(buildFolder, 'server', 'entry.mjs')).href)) as { handler: AstroHandler }
  const files = sirv(join(buildFolder, 'client'), {
    immutable: true,
    maxAge: 31_536_000,
    etag: true,
    gzip: true,
    // Their names stay while what is in them changes.
    setHeaders: (response, path) => {
      if (path === '/sw.js' || path.startsWith('/offline/')) response.setHeader('cache-control', 'no-cache')
    },
  })
  const compress = compression({
    filter: (request, response) =>
      !String(response.getHeader('content-type')).startsWith('text/event-stream') && compression.filter(request, response),
  })
  const ahead = scriptsAhead(buildFolder)
  const listener: RequestListener = (request, response) => {
    for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.setHeader(name, value)
    const scripts = request.method === 'GET' ? ahead(request.url ?? '') : null
    if (scripts) response.setHeader('link', scripts)
    // Rate limits count by this address; what a caller claims in its place is overwritten.
    request.headers[CLIENT_ADDRESS_HEADER] = request.socket.remoteAddress ?? 'unknown'
    if (request.headers['transfer-encoding'] !== undefined)
      return refuse(response, 411, 'lengthRequired', 'Send the body with its length.')
    const most = mostBytesOf(request.url)
    if (Number(request.headers['content-length'] ?? 0) > most)
      return readToEnd(request, () =>
        refuse(response, 413, 'tooLarge', `What was sent is larger than ${most / 1024} kB. Nothing was stored; send less.`),
      )
    compress(request as never, response as never, () => files(request, response, () => handler(request, response)))
  }
  return certificate ? createHttpsServer(certificate, listener) : createServer(listener)
}
