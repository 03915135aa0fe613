import type { UnitSystem } from '../../core/quantity/unitSystem'
import { describeFit, type FitDrawingModel, fitDrawing } from '../../drawing/fitDrawing'
import { Drawn } from '../limitRibbon/LimitRibbon'
import styles from './FitDrawing.module.css'

/** Both sides of a fit on one scale, with the clearance between them. */
export function FitDrawing({ model, system }: { readonly model: FitDrawingModel; readonly system: UnitSystem }) {
  const drawing = fitDrawing(model, system)
  if (drawing === null) return null
  return (
    <svg
      className={styles.drawing}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      role="img"
      aria-label={describeFit(model, system)}
    >
      {drawing.shapes.map((shape, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: shapes have no state and two may be alike
        <Drawn key={index} shape={shape} />
      ))}
    </svg>
  )
}
