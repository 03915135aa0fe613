import { type Served, servePage } from './serve'

/** A bare page: one field and as many rows as asked for, in plain HTML without a server behind it. */
export function serveRows(count: number): Promise<Served> {
  const rows = Array.from({ length: count }, (_, index) => `<li>Journal ${index + 1} <b>10/10</b></li>`).join('')
  return servePage(
    `<!doctype html><html lang="en"><meta charset="utf-8"><title>Bare rows</title><input data-bare autofocus><output></output><ul>${rows}</ul><script>
    const field = document.querySelector('input')
    field.addEventListener('input', () => { document.querySelector('output').textContent = field.value })
    </script></html>`,
  )
}
