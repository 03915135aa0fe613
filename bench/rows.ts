import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { gzipSync } from 'node:zlib'

/** A bare page: one field and as many rows as asked for, in plain HTML without a server behind it. */
export async function serveRows(count: number): Promise<{ url: string; close: () => void }> {
  const rows = Array.from({ length: count }, (_, index) => `<li>Journal ${index + 1} <b>10/10</b></li>`).join('')
  const page = gzipSync(
    `<!doctype html><html lang="en"><meta charset="utf-8"><title>Bare rows</title><input data-bare autofocus><output></output><ul>${rows}</ul><script>
    const field = document.querySelector('input')
    field.addEventListener('input', () => { document.querySelector('output').textContent = field.value })
    </script></html>`,
  )
  const server = createServer((_, response) => {
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
