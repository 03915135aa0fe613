import { backlash } from './kinds/backlash'
import { benchTest } from './kinds/benchTest'
import { boreDiameter } from './kinds/boreDiameter'
import { capPinch } from './kinds/capPinch'
import { computed } from './kinds/computed'
import { contactPattern } from './kinds/contactPattern'
import { elementPattern } from './kinds/elementPattern'
import { endFloat } from './kinds/endFloat'
import { gapAtPositions } from './kinds/gapAtPositions'
import { grooveWidth } from './kinds/grooveWidth'
import { markShift } from './kinds/markShift'
import { meter } from './kinds/meter'
import { openingPressure } from './kinds/openingPressure'
import { outsideDiameter } from './kinds/outsideDiameter'
import { plasticStrip } from './kinds/plasticStrip'
import { radialPlay } from './kinds/radialPlay'
import { remainingThickness } from './kinds/remainingThickness'
import { ringEndGap } from './kinds/ringEndGap'
import { runout } from './kinds/runout'
import { setDimension } from './kinds/setDimension'
import { shaftAlignment } from './kinds/shaftAlignment'
import { shellCrush } from './kinds/shellCrush'
import { sideClearance } from './kinds/sideClearance'
import { size } from './kinds/size'
import { spring } from './kinds/spring'
import { straightness } from './kinds/straightness'
import { torque } from './kinds/torque'
import { visualCheck } from './kinds/visualCheck'
import type { MethodKindOf } from './methodKind'

/** Every measuring method there is. One more is a module in `kinds` and a line here; the types say what else asks for it. */
export const methodKinds = {
  outsideDiameter,
  boreDiameter,
  size,
  grooveWidth,
  ringEndGap,
  sideClearance,
  gapAtPositions,
  endFloat,
  radialPlay,
  runout,
  plasticStrip,
  capPinch,
  shellCrush,
  shaftAlignment,
  setDimension,
  contactPattern,
  straightness,
  spring,
  openingPressure,
  torque,
  markShift,
  backlash,
  elementPattern,
  remainingThickness,
  meter,
  benchTest,
  visualCheck,
  computed,
} as const

type Kinds = typeof methodKinds

/** A measuring method as a limit book sets it up for one characteristic. */
export type Method = { [K in keyof Kinds]: Kinds[K] extends MethodKindOf<infer M> ? M : never }[keyof Kinds]
export type MethodKind = keyof Kinds

/** What belongs to the kind of a method. Each kind is asked only with methods of its own, which the union cannot say. */
export const kindOf = <M extends Method>(method: M): MethodKindOf<M> => methodKinds[method.kind] as unknown as MethodKindOf<M>
