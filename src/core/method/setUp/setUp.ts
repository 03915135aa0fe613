import { err, ok, type Result } from '../../base/result'
import type { GaugeKind } from '../../gauge/gaugeKinds'
import type { UnitSystem } from '../../quantity/unitSystem'
import { type Method, type MethodKind, methodKinds } from '../kinds'
import { Answers, type SetUpAnswers, Unusable } from './answers'
import type { SetUpField } from './fields'

export { namesInFormula } from './namesInFormula'

export interface SetUpFault {
  readonly key: string
  readonly says: string
}

/** What must be asked to set a method up. */
export const setUpOf = (kind: MethodKind): readonly SetUpField[] => methodKinds[kind].setUp

/** Gauge a method is usually taken with. */
export const usualGaugeOf = (kind: MethodKind): GaugeKind => methodKinds[kind].usualGauge

/** Makes a method from what was answered, or says which answer cannot be used and why. Lengths come out in mm. */
export function setUpMethod(kind: MethodKind, answers: SetUpAnswers, system: UnitSystem): Result<Method, SetUpFault> {
  try {
    return ok(methodKinds[kind].build(new Answers(setUpOf(kind), answers, system)))
  } catch (fault) {
    if (fault instanceof Unusable) return err({ key: fault.key, says: fault.message })
    throw fault
  }
}
