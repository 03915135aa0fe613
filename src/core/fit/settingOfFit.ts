import type { Limit } from '../limit/limit'
import { type Setting, settingBy } from '../setting/setting'
import { type FitSpec, setByOf } from './kinds'

/** How a fit is set; null where it tells of wear. What the book says counts, else what its kind is for, unless the book condemns the part by it. */
export function settingOfFit(fit: FitSpec, parts: readonly string[], { whenPassed }: Pick<Limit, 'whenPassed'>): Setting | null {
  const by = setByOf(fit)
  const spec = fit.setting ?? (by && whenPassed !== 'replace' ? ({ is: 'setting', by } as const) : null)
  return spec && settingBy(spec, parts)
}
