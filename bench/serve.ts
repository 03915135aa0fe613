import { createServer, type RequestListener } from 'node:http'
import type { AddressInfo } from 'node:net'
import { gzipSync } from 'node:zlib'

export interface Served {
  readonly url: string
  close(): void
}

/** Serves one packed page on loopback, and whatever `other` answers. */
export async function servePage(html: string, other?: RequestListener): Promise<Served> {
  const page = gzipSync(html)
  const server = createServer((request, response) => {
    if (other && request.url !== '/') return other(request, response)
    response.writeHead(200, {
      'content-type': 'text/html; charset=utf-8',
      'content-encoding': 'gzip',
      'cache-control': 'no-store',
    })
    response.end(page)
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as AddressInfo
  return {
    url: `http://127.0.0.1:${port}/`,
    close: () => {
      server.closeAllConnections()
      server.close()
    },
  }
}
