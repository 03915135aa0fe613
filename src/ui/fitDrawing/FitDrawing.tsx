import type { FitSpec } from '../../core/fit/kinds'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { type FitDrawing as Drawing, describeFit, type FitDrawingModel, fitDrawing } from '../../drawing/fitDrawing'
import { describeGaps, type GapRow, gapDrawing } from '../../drawing/gapDrawing'
import { describeMate, type Mated, mateSketch } from '../../drawing/mateSketch'
import { Drawn } from '../limitRibbon/LimitRibbon'
import styles from './FitDrawing.module.css'

/** Gaps that a fit sets, over each other. */
export function GapDrawing({
  rows,
  system,
  step,
}: {
  readonly rows: readonly GapRow[]
  readonly system: UnitSystem
  readonly step: number
}) {
  const drawing = gapDrawing(rows, system, step)
  return drawing && <Sheet drawing={drawing} says={describeGaps(rows, system, step)} />
}

/** How the parts of a fit stand to each other, where its bands alone do not show it. */
export function MateSketch({
  spec,
  mated,
  system,
}: {
  readonly spec: FitSpec
  readonly mated: Mated
  readonly system: UnitSystem
}) {
  const drawing = mateSketch(spec, mated, system)
  return drawing && <Sheet drawing={drawing} says={describeMate(spec, mated, system)} />
}

/** Both sides of a fit on one scale, with the clearance between them. */
export function FitDrawing({ model, system }: { readonly model: FitDrawingModel; readonly system: UnitSystem }) {
  const drawing = fitDrawing(model, system)
  return drawing && <Sheet drawing={drawing} says={describeFit(model, system)} />
}

function Sheet({ drawing, says }: { readonly drawing: Drawing; readonly says: string }) {
  return (
    <svg className={styles.drawing} viewBox={`0 0 ${drawing.width} ${drawing.height}`} role="img" aria-label={says}>
      {drawing.shapes.map((shape, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: shapes have no state and two may be alike
        <Drawn key={index} shape={shape} />
      ))}
    </svg>
  )
}
