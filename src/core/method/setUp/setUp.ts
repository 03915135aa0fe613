import { type FieldFault, readFields } from '../../base/fields'
import { err, ok, type Result } from '../../base/result'
import type { GaugeKind } from '../../gauge/gaugeKinds'
import type { UnitSystem } from '../../quantity/unitSystem'
import { type Method, type MethodKind, methodKinds } from '../kinds'
import { Answers, type SetUpAnswers } from './answers'
import type { SetUpField } from './fields'
import type { SetUpFault } from './setUpFault'

export { namesInFormula } from './namesInFormula'

/** What must be asked to set a method up. */
export const setUpOf = (kind: MethodKind): readonly SetUpField[] => methodKinds[kind].setUp

/** Gauge a method is usually taken with. */
export const usualGaugeOf = (kind: MethodKind): GaugeKind => methodKinds[kind].usualGauge

/** Makes a method from what was answered, or says which answers cannot be used and why. Lengths come out in mm. */
export function setUpMethod(
  kind: MethodKind,
  answers: SetUpAnswers,
  system: UnitSystem,
): Result<Method, readonly FieldFault<SetUpFault>[]> {
  const fields = setUpOf(kind)
  const read = new Answers(fields, answers, system)
  const probes = Object.fromEntries(fields.map((field) => [field.key, () => read.probe(field)]))
  const made = readFields({ ...probes, method: () => methodKinds[kind].build(read) })
  return made.ok ? ok(made.value.method as Method) : err(made.fault as readonly FieldFault<SetUpFault>[])
}
