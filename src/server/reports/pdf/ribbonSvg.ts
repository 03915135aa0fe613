import type { UnitSystem } from '../../../core/quantity/unitSystem'
import type { RibbonModel } from '../../../drawing/ribbonScale'
import { ribbonShapes, type Shape, type Tone } from '../../../drawing/ribbonShapes'

/** Colours on paper; the pointer's follows from how far the value has gone. */
const paper: Record<Exclude<Tone, 'pointer'>, string> = {
  ink: '#1b2330',
  faint: '#5f6875',
  track: '#f1ede1',
  bandNew: '#b9c5e8',
  bandUsed: '#dde3f3',
  bandEdge: '#21409a',
  plan: '#855600',
  wear: '#a3271f',
  guard: '#5a5573',
  sheet: '#ffffff',
  label: '#4a5463',
}
const pointerByGrade = { 0: '#21409a', 1: '#855600', 2: '#a3271f' } as const

/** The limit ribbon as SVG text with fixed colours, for the PDF. */
export function ribbonSvg(model: RibbonModel, width: number, system: UnitSystem): string {
  const drawing = ribbonShapes(model, { width, labels: true, system })
  const colour = (tone: Tone): string => (tone === 'pointer' ? pointerByGrade[model.result?.grade ?? 0] : paper[tone])
  const shapes = drawing.shapes.map((shape) => svgOf(shape, colour)).join('')
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${drawing.width}" height="${drawing.height}" viewBox="0 0 ${drawing.width} ${drawing.height}">${shapes}</svg>`
}

function svgOf(shape: Shape, colour: (tone: Tone) => string): string {
  switch (shape.kind) {
    case 'rect':
      return `<rect x="${shape.x}" y="${shape.y}" width="${shape.width}" height="${shape.height}" fill="${colour(shape.fill)}" fill-opacity="${shape.opacity ?? 1}"/>`
    case 'line':
      return `<line x1="${shape.x1}" y1="${shape.y1}" x2="${shape.x2}" y2="${shape.y2}" stroke="${colour(shape.stroke)}" stroke-width="${shape.width}" stroke-opacity="${shape.opacity ?? 1}"${shape.dash ? ` stroke-dasharray="${shape.dash}"` : ''}/>`
    case 'path':
      return `<path d="${shape.d}" fill="${shape.fill ? colour(shape.fill) : 'none'}" stroke="${colour(shape.stroke)}" stroke-width="${shape.width}"${shape.opacity === undefined ? '' : ` opacity="${shape.opacity}"`}/>`
    case 'text':
      return `<text x="${shape.x}" y="${shape.y}" font-family="Figure" font-size="10" text-anchor="middle" fill="${colour(shape.fill)}">${shape.text}</text>`
  }
}
