import type { Method } from '../../core/method/method'
import { AlignmentSketch, GapClockSketch, RunoutSketch } from './aroundSketches'
import { DiameterSketch } from './DiameterSketch'
import { FloatSketch, PlaySketch } from './FloatSketch'
import {
  BacklashSketch,
  CrushSketch,
  GrooveSketch,
  RemainingSketch,
  SetSketch,
  SideClearanceSketch,
  SizeSketch,
  StraightnessSketch,
} from './faceSketches'
import { MarkSketch, PinchSketch, TorqueSketch } from './jointSketches'
import type { SketchProps } from './marks'
import { ContactSketch, ElementsSketch } from './patternSketches'
import { RingSketch } from './RingSketch'
import { StripSketch } from './StripSketch'
import { ComputedSketch, LookSketch, MeterSketch, PressureSketch, RigSketch, SpringSketch } from './testSketches'

/** The drawing of a method: where the reading to be taken now lies, what is read already. */
export function MethodSketch({
  method,
  nameOf,
  ...rest
}: SketchProps & {
  readonly method: Method
  /** Name of a characteristic that the method takes values from. */
  nameOf(characteristic: string): string
}) {
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
    case 'radialPlay':
      return <PlaySketch method={method} {...rest} />
    case 'size':
      return <SizeSketch method={method} {...rest} />
    case 'grooveWidth':
      return <GrooveSketch method={method} {...rest} />
    case 'sideClearance':
      return <SideClearanceSketch method={method} {...rest} />
    case 'shellCrush':
      return <CrushSketch method={method} {...rest} />
    case 'setDimension':
      return <SetSketch method={method} {...rest} />
    case 'straightness':
      return <StraightnessSketch method={method} {...rest} />
    case 'backlash':
      return <BacklashSketch method={method} {...rest} />
    case 'remainingThickness':
      return <RemainingSketch method={method} {...rest} />
    case 'gapAtPositions':
      return <GapClockSketch method={method} {...rest} />
    case 'runout':
      return <RunoutSketch method={method} {...rest} />
    case 'shaftAlignment':
      return <AlignmentSketch method={method} {...rest} />
    case 'capPinch':
      return <PinchSketch method={method} {...rest} />
    case 'torque':
      return <TorqueSketch method={method} {...rest} />
    case 'markShift':
      return <MarkSketch method={method} {...rest} />
    case 'contactPattern':
      return <ContactSketch method={method} {...rest} />
    case 'elementPattern':
      return <ElementsSketch method={method} {...rest} />
    case 'spring':
      return <SpringSketch method={method} {...rest} />
    case 'openingPressure':
      return <PressureSketch method={method} {...rest} />
    case 'meter':
      return <MeterSketch method={method} {...rest} />
    case 'benchTest':
      return <RigSketch method={method} {...rest} />
    case 'visualCheck':
      return <LookSketch method={method} {...rest} />
    case 'computed':
      return <ComputedSketch method={method} nameOf={nameOf} />
  }
}
