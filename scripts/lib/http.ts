import { createServer, type IncomingMessage, type RequestListener, type Server, type ServerResponse } from 'node:http'
import { createServer as createHttpsServer } from 'node:https'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import compression from 'compression'
import sirv from 'sirv'
import { CLIENT_ADDRESS_HEADER } from '../../src/server/edge/clientAddress'
import type { Certificate } from './certificate'
import { contentSecurityPolicy } from './contentSecurity'
import { islandScripts } from './islandScripts'

/** Renders pages, calls and the page of an address that is none. */
type AstroHandler = (
  request: IncomingMessage,
  response: ServerResponse,
  next: undefined,
  locals: { readonly scriptsOf: (island: string) => readonly string[] },
) => void

/** Largest body of a request, bytes; single calls allow less. Uploads of pictures are checked again by their call. */
const MOST_BYTES = 1024 * 1024
/** Calls that bring more: pictures, tables of earlier readings, limit books and what was written in one. */
const UPLOADS: readonly (readonly [path: RegExp, mostBytes: number])[] = [
  [/^\/api\/jobs\/[^/]+\/pictures\/?(\?|$)/, 7 * 1024 * 1024],
  [/^\/api\/machines\/[^/]+\/history\/?(\?|$)/, 33 * 1024 * 1024],
  [/^\/api\/books\/?(\?|$)/, 25 * 1024 * 1024],
  [/^\/api\/books\/[^/]+\/edits\/?(\?|$)/, 9 * 1024 * 1024],
]
const mostBytesOf = (url = ''): number => UPLOADS.find(([path]) => path.test(url))?.[1] ?? MOST_BYTES

const SECURITY_HEADERS = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'permissions-policy': 'camera=(self), microphone=(), geolocation=()',
} as const

/** Methods that any address here takes. */
const METHODS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'POST'])

/** Whether an address can be read at all: whole escapes, no NUL in them. */
function isPlainPath(url: string): boolean {
  try {
    return !decodeURIComponent(url).includes('\0')
  } catch {
    return false
  }
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
  request.once('end', then).resume()
}

export interface Edge {
  /** Null for plain HTTP: on loopback, or behind a proxy that speaks HTTPS. */
  readonly certificate: Certificate | null
  /** Names and ports it is reached by; what asks for another is refused. */
  readonly hosts: ReadonlySet<string>
  /** People reach it by an HTTPS address that was configured: browsers are told to use no other. */
  readonly isHttps: boolean
}

/** A body must come within this time, and within so much more as its size takes over a poor network. */
const PATIENCE_MS = 10_000
const LEAST_BYTES_PER_MS = 10

/** Cuts off a body that drips: a connection held open by a byte now and then. */
function cutDripping(request: IncomingMessage): void {
  const length = Number(request.headers['content-length'] ?? 0)
  if (!(length > 0)) return
  const late = setTimeout(() => request.destroy(), PATIENCE_MS + length / LEAST_BYTES_PER_MS)
  const done = (): void => clearTimeout(late)
  request.once('end', done).once('close', done)
}

/** Headers that come slower than this are cut off, ms. */
const HEADERS_MS = 10_000

/** The server around the built application: security headers, body limits, compression, files, pages. */
export async function createHttpServer(buildFolder: string, { certificate, hosts, isHttps }: Edge): Promise<Server> {
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
  const scriptsOf = islandScripts(buildFolder)
  const headers = {
    ...SECURITY_HEADERS,
    'content-security-policy': contentSecurityPolicy(buildFolder),
    ...(isHttps ? { 'strict-transport-security': 'max-age=31536000' } : {}),
  }
  const listener: RequestListener = (request, response) => {
    for (const [name, value] of Object.entries(headers)) response.setHeader(name, value)
    cutDripping(request)
    const refused: readonly [number, string, string] | null = !METHODS.has(request.method ?? '')
      ? [405, 'wrongMethod', 'Medida takes GET, HEAD and POST here.']
      : !hosts.has((request.headers.host ?? '').toLowerCase())
        ? [421, 'wrongHost', 'Medida is not reached by this address. Use the one it says when it starts.']
        : isPlainPath(request.url ?? '')
          ? null
          : [400, 'malformed', 'This address holds a sign that no address has.']
    if (refused) return readToEnd(request, () => refuse(response, ...refused))
    // Rate limits count by this address; what a caller claims in its place is overwritten.
    request.headers[CLIENT_ADDRESS_HEADER] = request.socket.remoteAddress ?? 'unknown'
    if (request.headers['transfer-encoding'] !== undefined)
      return refuse(response, 411, 'lengthRequired', 'Send the body with its length.')
    const most = mostBytesOf(request.url)
    if (Number(request.headers['content-length'] ?? 0) > most)
      return readToEnd(request, () =>
        refuse(response, 413, 'tooLarge', `What was sent is larger than ${most / 1024} kB. Nothing was stored; send less.`),
      )
    compress(request as never, response as never, () =>
      files(request, response, () => {
        // What is made for a person is kept by nobody between; what may be kept says so itself.
        response.setHeader('cache-control', 'no-store')
        handler(request, response, undefined, { scriptsOf })
      }),
    )
  }
  const limits = { headersTimeout: HEADERS_MS, connectionsCheckingInterval: 2_000 }
  return certificate ? createHttpsServer({ ...limits, ...certificate }, listener) : createServer(limits, listener)
}
