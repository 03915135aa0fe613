import { err, ok, type Result } from '../base/result'
import { type BearingIdentity, identifyBearing, markingAgrees } from '../identify/rollingBearing'
import { identifySeal, type SealIdentity } from '../identify/shaftSeal'
import { identifyThread, type ThreadIdentity, threadsPerInch } from '../identify/thread'
import { parseQuantity } from '../quantity/quantity'
import type { UnitSystem } from '../quantity/unitSystem'
import type { IdentitySizes } from './shapes'

/** A pitch as typed: a length, or threads per inch as `12 tpi`. Millimetres; refused otherwise. */
export function parseThreadPitch(text: string, defaultUnit: string): Result<number, 'noPitch'> {
  const perInch = threadsPerInch(text)
  if (perInch !== null) return ok(perInch)
  const parsed = parseQuantity(text, 'length', defaultUnit)
  return parsed.ok && parsed.value.value > 0 ? ok(parsed.value.value) : err('noPitch')
}

/** What a part may be by its sizes. */
export type Identity =
  /** By its sizes, and whether its marking names one of these: by sizes alone no bearing is identified. */
  | { readonly of: 'bearing'; readonly found: BearingIdentity; readonly marking: 'none' | 'agrees' | 'differs' }
  | { readonly of: 'seal'; readonly found: SealIdentity }
  | { readonly of: 'thread'; readonly found: ThreadIdentity }

/** Null while a size cannot be read. */
export function identityOf(sizes: IdentitySizes, system: UnitSystem): Identity | null {
  const unit = system === 'metric' ? 'mm' : 'in'
  const mm = (text: string): number | null => {
    const parsed = parseQuantity(text, 'length', unit)
    return parsed.ok && parsed.value.value > 0 ? parsed.value.value : null
  }
  switch (sizes.kind) {
    case 'bearing': {
      const [boreMm, outsideMm, widthMm] = [mm(sizes.bore), mm(sizes.outside), mm(sizes.width)]
      if (boreMm === null || outsideMm === null || widthMm === null) return null
      const found = identifyBearing({ boreMm, outsideMm, widthMm })
      const marking = (sizes.marking ?? '').trim()
      if (marking === '') return { of: 'bearing', found, marking: 'none' }
      const agrees = found.kind === 'standard' && markingAgrees(marking, found.bearings)
      return { of: 'bearing', found, marking: agrees ? 'agrees' : 'differs' }
    }
    case 'seal': {
      const [shaftMm, outsideMm] = [mm(sizes.shaft), mm(sizes.outside)]
      return shaftMm === null || outsideMm === null ? null : { of: 'seal', found: identifySeal(shaftMm, outsideMm) }
    }
    case 'thread': {
      const diameterMm = mm(sizes.diameter)
      const pitch = parseThreadPitch(sizes.pitch, unit)
      if (diameterMm === null || !pitch.ok) return null
      return { of: 'thread', found: identifyThread({ diameterMm, pitchMm: pitch.value, flankDegrees: sizes.flank }) }
    }
  }
}
