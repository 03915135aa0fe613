/** Pictures of invented parts, drawn: the demo has no photographs of real ones. */
import sharp from 'sharp'
import type { DemoPicture } from './types'

const ground = '<rect width="1200" height="900" fill="#8d8a80"/><rect y="640" width="1200" height="260" fill="#5f5b52"/>'
const steel = (id: string) =>
  `<linearGradient id="${id}" x1="0" x2="0" y1="0" y2="1"><stop offset="0" stop-color="#d9d9d4"/><stop offset=".45" stop-color="#9b9b98"/><stop offset="1" stop-color="#5a5a5c"/></linearGradient>`

const drawings: Record<DemoPicture['draw'], string> = {
  scoredBore: `${ground}<defs>${steel('s')}</defs><circle cx="600" cy="430" r="360" fill="url(#s)"/><circle cx="600" cy="430" r="265" fill="#2e2f33"/><circle cx="600" cy="430" r="255" fill="#6d6f73"/><circle cx="620" cy="440" r="215" fill="#3a3b40"/>${Array.from({ length: 14 }, (_, i) => `<path d="M${430 + i * 5} ${560 + i * 6} l${60 + (i % 3) * 14} ${62 + (i % 4) * 6}" stroke="#c9cbd0" stroke-width="${1 + (i % 3)}"/>`).join('')}`,
  crackedRing: `${ground}<circle cx="600" cy="440" r="300" fill="none" stroke="#3b3c40" stroke-width="46"/><circle cx="600" cy="440" r="300" fill="none" stroke="#a7a8a6" stroke-width="34" stroke-dasharray="1790 60" stroke-dashoffset="-40"/><path d="M360 250 l24 12 l-14 16 l26 14" stroke="#191a1d" stroke-width="6" fill="none"/>`,
  cap: `${ground}<defs>${steel('c')}</defs><path d="M190 640 V430 A410 380 0 0 1 1010 430 V640 H830 A230 220 0 0 0 370 640 Z" fill="url(#c)" stroke="#3b3c40" stroke-width="6"/><circle cx="265" cy="560" r="34" fill="#3b3c40"/><circle cx="935" cy="560" r="34" fill="#3b3c40"/><circle cx="232" cy="628" r="7" fill="#191a1d"/><circle cx="262" cy="628" r="7" fill="#191a1d"/><rect x="540" y="70" width="120" height="44" rx="20" fill="#4d4e52"/>`,
  gasket: `${ground}<circle cx="600" cy="430" r="300" fill="#b5a27a"/><circle cx="600" cy="430" r="215" fill="#8d8a80"/>${Array.from({ length: 10 }, (_, i) => `<circle cx="${600 + 258 * Math.cos((i * Math.PI) / 5)}" cy="${430 + 258 * Math.sin((i * Math.PI) / 5)}" r="17" fill="#8d8a80"/>`).join('')}<path d="M470 660 q40 -30 90 -18" stroke="#5d4d33" stroke-width="14" fill="none"/>`,
}

export const drawPicture = (draw: DemoPicture['draw']): Promise<Buffer> =>
  sharp(Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="900">${drawings[draw]}</svg>`))
    .jpeg({ quality: 84 })
    .toBuffer()
