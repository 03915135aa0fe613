import { isPlainObject } from '../../core/base/plainObject'
import type { Path } from '../../core/book/path'

/** A value with another one at a place inside it; undefined takes a field away. What leads there is made where it is missing. */
export function withValue(of: unknown, path: Path, value: unknown): unknown {
  const [step, ...rest] = path
  if (step === undefined) return value
  if (typeof step === 'number') {
    const list = Array.isArray(of) ? of : []
    const made = withValue(list[step], rest, value)
    return made === undefined ? list.toSpliced(step, 1) : list.toSpliced(step, 1, made)
  }
  const { [step]: was, ...others } = isPlainObject(of) ? of : {}
  const made = withValue(was, rest, value)
  if (made === undefined) return others
  // Fields stay in their order, so that what is written back as it was is as it was.
  return isPlainObject(of) && step in of ? { ...of, [step]: made } : { ...others, [step]: made }
}
