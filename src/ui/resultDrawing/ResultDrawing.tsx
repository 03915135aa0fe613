import type { Method } from '../../core/method/method'
import { ContactShares } from './ContactShares'
import type { DrawingProps } from './drawingProps'
import { GapClock } from './GapClock'
import { ProfileDrawing } from './ProfileDrawing'
import { RunoutDrawing } from './RunoutDrawing'
import { SpringLine } from './SpringLine'
import { TorqueBars } from './TorqueBars'

/** The result drawn where it was taken, for the methods whose figures alone do not show it; nothing for the others. */
export function ResultDrawing({ method, ...props }: DrawingProps & { readonly method: Method }) {
  if (props.taken.length < 2) return null
  switch (method.kind) {
    case 'outsideDiameter':
    case 'boreDiameter':
      return <ProfileDrawing method={method} {...props} />
    case 'runout':
      return <RunoutDrawing method={method} {...props} />
    case 'gapAtPositions':
      return <GapClock method={method} {...props} />
    case 'contactPattern':
      return <ContactShares method={method} {...props} />
    case 'spring':
      return <SpringLine method={method} {...props} />
    case 'torque':
      return <TorqueBars method={method} {...props} />
    default:
      return null
  }
}
