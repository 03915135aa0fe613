import type { Method, Slot } from '../../core/method/method'
import { DiameterSketch } from './DiameterSketch'
import { FloatSketch } from './FloatSketch'
import { RingSketch } from './RingSketch'
import { StripSketch } from './StripSketch'

export interface SketchProps {
  /** The slot to be read now. */
  readonly active: Slot | null
  /** Places read already: “station/direction”, and “station/direction/repeat” for repeats. */
  readonly taken: ReadonlySet<string>
}

/** The drawing of a method: where the reading to be taken now lies, what is read already. */
export function MethodSketch({ method, ...rest }: SketchProps & { readonly method: Method }) {
  switch (method.kind) {
    case 'boreDiameter':
    case 'outsideDiameter':
      return <DiameterSketch method={method} {...rest} />
    case 'plasticStrip':
      return <StripSketch method={method} {...rest} />
    case 'ringEndGap':
      return <RingSketch method={method} {...rest} />
    case 'endFloat':
      return <FloatSketch method={method} {...rest} />
  }
}
