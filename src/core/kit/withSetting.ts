import { err, ok, type Result } from '../base/result'
import type { LimitBook } from '../book/bookSchema'
import { isNeverSet, type SettingSpec } from '../setting/setting'
import type { RowFault } from './limitSheet'

type Subject = LimitBook['characteristics'][number] | LimitBook['fits'][number]

/**
 * The book in which a measurement or a fit tells of wear, a setting or both. What it rests on is judged otherwise then, so that its
 * limits wait for a second person again.
 */
export function withSetting(
  book: LimitBook,
  { of, setting }: { readonly of: string; readonly setting: SettingSpec },
  who: { readonly by: string; readonly at: string },
): Result<LimitBook, RowFault> {
  const subject = [...book.characteristics, ...book.fits].find(({ id }) => id === of)
  if (!subject) return err({ code: 'noRow' })
  if (setting.is !== 'wear' && 'method' in subject && isNeverSet(subject.method.kind)) return err({ code: 'neverSet' })
  const waits = <L extends object>(limit: L): L => ({ ...limit, typed: { ...who, check: null } })
  const anew = <T extends Subject>(one: T): T =>
    one.id === of
      ? {
          ...one,
          setting,
          limits: one.limits.map(waits),
          ...(one.limitsBy ? { limitsBy: one.limitsBy.map(waits) } : {}),
        }
      : one
  return ok({ ...book, characteristics: book.characteristics.map(anew), fits: book.fits.map(anew) })
}
