import { type Served, servePage } from './serve'

/**
 * The baseline: a list of the same rows and the same small pictures, in plain HTML, with a plain script that moves a
 * choice by the arrow keys and drags a row. Nothing less does what the strip map's tree does for a person.
 */
export function serveBareList(names: readonly string[], picture: Buffer): Promise<Served> {
  const rows = names
    .map(
      (name, index) =>
        `<li data-row="${index}"><img src="/p/${index}" width="32" height="24" loading="lazy" alt=""> ${name}</li>`,
    )
    .join('')
  const script = `
    const rows = [...document.querySelectorAll('[data-row]')]
    let at = 0, ghost = null
    addEventListener('keydown', (event) => {
      if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return
      rows[at].removeAttribute('aria-selected')
      at = Math.min(rows.length - 1, Math.max(0, at + (event.key === 'ArrowDown' ? 1 : -1)))
      rows[at].setAttribute('aria-selected', 'true')
      rows[at].scrollIntoView({ block: 'nearest' })
      event.preventDefault()
    })
    addEventListener('pointerdown', (event) => {
      const row = event.target.closest('[data-row]')
      if (!row) return
      ghost = row.cloneNode(true)
      ghost.style.cssText = 'position:fixed;pointer-events:none'
      document.body.append(ghost)
    })
    addEventListener('pointermove', (event) => {
      if (ghost) ghost.style.transform = 'translate(' + event.clientX + 'px,' + event.clientY + 'px)'
    })
    addEventListener('pointerup', () => { ghost?.remove(); ghost = null })
  `
  return servePage(
    `<!doctype html><html lang="en"><meta charset="utf-8"><title>Bare list</title><style>[aria-selected]{background:#dde}ul{height:500px;overflow:auto}li{height:32px;user-select:none}</style><ul>${rows}</ul><script>${script}</script></html>`,
    (_, response) => {
      response.writeHead(200, { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' })
      response.end(picture)
    },
  )
}
