/** `npm run gauges -- --port 4321`: simulated gauges beside a running Medida, with a page of their own to press send on. */
import { createServer } from 'node:http'
import { parseArgs } from 'node:util'
import { z } from 'zod'
import { pairingOn } from '../attack/pairing'
import { gaugeLine } from '../src/core/gauge/lineProtocol'
import { SimulatedGauge, simulatedKinds } from '../src/gauges/simulated'
import { stop } from './bootstrap.mjs'

const { values } = parseArgs({ options: { port: { type: 'string', default: '4321' }, page: { type: 'string' } } })
const port = Number(values.port)
if (!Number.isInteger(port) || port < 1 || port > 65_533)
  stop(`--port ${values.port} is not the port of a Medida. Give the one it runs on.`)
const pagePort = values.page === undefined ? port + 2 : Number(values.page)

/** Standard normal numbers. */
const normal = (): number => Math.sqrt(-2 * Math.log(1 - Math.random())) * Math.cos(2 * Math.PI * Math.random())
/** Paired like any other gauge: by somebody who may measure, once for each gauge and start. */
const secretOf = pairingOn(`http://127.0.0.1:${port}`)
const gauges = new Map(
  simulatedKinds.map((kind) => [kind.code, new SimulatedGauge(kind, port + 1, normal, () => secretOf(kind.code))]),
)

const sentSchema = z.strictObject({
  code: z.string(),
  what: z.enum(['reading', 'noise', 'half', 'wrongUnit', 'stop']),
  value: z.number().min(-1e6).max(1e6),
})

async function act({ code, what, value }: z.infer<typeof sentSchema>): Promise<string> {
  const gauge = gauges.get(code)
  if (!gauge) return `There is no simulated gauge ${code}.`
  switch (what) {
    case 'reading': {
      const { sent, answer } = await gauge.send(value)
      return `${sent} → ${answer}`
    }
    case 'noise':
      return gauge.raw('\u0007READ 9~ 6.\u00ff82 mm *5A\n')
    case 'half':
      return gauge.raw('READ 5 6.0')
    case 'wrongUnit':
      return gauge.raw(gaugeLine(`READ 900000 ${value} kg`))
    case 'stop':
      gauge.stop()
      return 'stopped'
  }
}

const rows = simulatedKinds
  .map(
    ({
      code,
      name,
      unit,
      step,
      error,
      drift,
    }) => `<tr><th scope="row">${code}</th><td>${name}<small>step ${step}, error ${error}, drift ${drift} a reading</small></td>
<td><label>True value, ${unit}<input type="number" step="any" value="0" data-value="${code}"></label></td>
<td><button data-code="${code}" data-what="reading">Send</button> <button data-code="${code}" data-what="noise">Noise</button> <button data-code="${code}" data-what="half">Half a line</button> <button data-code="${code}" data-what="wrongUnit">Wrong unit</button> <button data-code="${code}" data-what="stop">Stop</button></td>
<td><output data-said="${code}"></output></td></tr>`,
  )
  .join('')
const page = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Simulated gauges</title>
<style>body{font:16px/1.5 system-ui,sans-serif;margin:24px;color:#1b2330;background:#faf8f2}table{border-collapse:collapse}td,th{padding:8px 12px;border-bottom:1px solid #d8d3c4;text-align:left;vertical-align:top}small{display:block;color:#5f6875}label{display:grid;font-size:13px}input{width:9em;font-size:18px;padding:6px}button{min-height:44px;padding:0 14px;font-size:15px}output{font-family:monospace}</style>
<h1>Simulated gauges</h1><p>Each stands in for a real one: it adds its own error, drift and noise, and rounds to its step. Let the bench listen to it first.</p><table>${rows}</table>
<script>addEventListener('click', async (event) => {
  const { code, what } = event.target.dataset
  if (!code) return
  const value = Number(document.querySelector('[data-value="' + code + '"]').value)
  const said = document.querySelector('[data-said="' + code + '"]')
  const answer = await fetch('/send', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ code, what, value }) })
  said.textContent = await answer.text()
})</script></html>`

const MOST_BYTES = 1000
const server = createServer((request, response) => {
  if (request.method === 'GET' && request.url === '/') {
    response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' })
    return void response.end(page)
  }
  // Only this page: a script elsewhere cannot send this type without being asked first, and nobody answers that.
  if (request.method !== 'POST' || request.url !== '/send' || request.headers['content-type'] !== 'application/json') {
    response.writeHead(404)
    return void response.end()
  }
  let body = ''
  request.on('data', (chunk: Buffer) => {
    body += chunk.toString()
    if (body.length > MOST_BYTES) request.destroy()
  })
  request.on('end', async () => {
    try {
      response.end(await act(sentSchema.parse(JSON.parse(body))))
    } catch (error) {
      response.writeHead(502)
      response.end(
        error instanceof z.ZodError
          ? 'not understood'
          : `Medida does not answer on port ${port + 1}: ${(error as Error).message}`,
      )
    }
  })
})
server.once('error', (error: NodeJS.ErrnoException) =>
  stop(`The page cannot be served on port ${pagePort}: ${error.message}. Give another one: --page PORT`),
)
server.listen(pagePort, '127.0.0.1', () =>
  process.stdout.write(
    `Simulated gauges on http://127.0.0.1:${pagePort}, sending to Medida on port ${port}.\nCtrl-C stops them.\n`,
  ),
)
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
  process.on(signal, () => {
    for (const gauge of gauges.values()) gauge.stop()
    process.exit(0)
  })
