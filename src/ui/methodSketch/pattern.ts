import { onCircle } from './marks'

interface Frame {
  readonly cx: number
  readonly cy: number
  readonly radius: number
  readonly width: number
  readonly height: number
}

/** Places of fasteners: around a circle from the top, or in two rows along a joint. */
export function placesInPattern(
  count: number,
  arranged: 'circle' | 'rows',
  { cx, cy, radius, width, height }: Frame,
): { x: number; y: number }[] {
  if (arranged === 'circle') return Array.from({ length: count }, (_, index) => onCircle(cx, cy, radius, (360 * index) / count))
  const perRow = Math.ceil(count / 2)
  return Array.from({ length: count }, (_, index) => ({
    x: cx - width / 2 + (perRow === 1 ? width / 2 : (width * (index % perRow)) / (perRow - 1)),
    y: cy + (index < perRow ? -height / 2 : height / 2),
  }))
}
