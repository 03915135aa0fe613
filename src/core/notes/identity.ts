import { err, ok, type Result } from '../base/result'
import { type BearingIdentity, identifyBearing } from '../identify/rollingBearing'
import { identifySeal, type SealIdentity } from '../identify/shaftSeal'
import { identifyThread, type ThreadIdentity, threadsPerInch } from '../identify/thread'
import { formatLength, unitLabel } from '../quantity/format'
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

/** What a part may be, in words: designations that match its sizes, or the nearest standard size and how far off it is. */
export interface IdentityWords {
  readonly matches: boolean
  readonly lines: readonly string[]
}

/** Null while a size cannot be read. */
export function identityWords(sizes: IdentitySizes, system: UnitSystem): IdentityWords | null {
  const unit = system === 'metric' ? 'mm' : 'in'
  const mm = (text: string): number | null => {
    const parsed = parseQuantity(text, 'length', unit)
    return parsed.ok && parsed.value.value > 0 ? parsed.value.value : null
  }
  switch (sizes.kind) {
    case 'bearing': {
      const [boreMm, outsideMm, widthMm] = [mm(sizes.bore), mm(sizes.outside), mm(sizes.width)]
      if (boreMm === null || outsideMm === null || widthMm === null) return null
      return bearingWords(identifyBearing({ boreMm, outsideMm, widthMm }), system)
    }
    case 'seal': {
      const [shaftMm, outsideMm] = [mm(sizes.shaft), mm(sizes.outside)]
      return shaftMm === null || outsideMm === null ? null : sealWords(identifySeal(shaftMm, outsideMm))
    }
    case 'thread': {
      const diameterMm = mm(sizes.diameter)
      const pitch = parseThreadPitch(sizes.pitch, unit)
      if (diameterMm === null || !pitch.ok) return null
      return threadWords(identifyThread({ diameterMm, pitchMm: pitch.value, flankDegrees: sizes.flank }))
    }
  }
}

function bearingWords(identity: BearingIdentity, system: UnitSystem): IdentityWords {
  if (identity.kind === 'standard')
    return {
      matches: true,
      lines: identity.bearings.flatMap(({ designations, boreMm, outsideMm, widthMm, series }) => {
        const size = `${boreMm} × ${outsideMm} × ${widthMm} mm`
        return designations.length > 0
          ? designations.map(({ designation, type }) => `${designation} (${type}), ${size}`)
          : [`dimension series ${series}, ${size}`]
      }),
    }
  const { nearest, offBy } = identity
  const off = (mm: number): string => `${mm > 0 ? '+' : ''}${formatLength(mm, system, 0.01)}`
  return {
    matches: false,
    lines: [
      `No standard size: nearest ${nearest.boreMm} × ${nearest.outsideMm} × ${nearest.widthMm} mm` +
        ` (${nearest.designations[0]?.designation ?? `series ${nearest.series}`});` +
        ` yours is off by ${off(offBy.boreMm)} bore, ${off(offBy.outsideMm)} outside, ${off(offBy.widthMm)} width ${unitLabel(system)}`,
    ],
  }
}

function sealWords(identity: SealIdentity): IdentityWords {
  return identity.kind === 'standard'
    ? {
        matches: true,
        lines: identity.seals.map(({ shaftMm, housingMm }) => `lip seal ${shaftMm} × ${housingMm} mm, width as measured`),
      }
    : {
        matches: false,
        lines: [`No standard size: nearest ${identity.nearest.shaftMm} × ${identity.nearest.housingMm} mm`],
      }
}

function threadWords(identity: ThreadIdentity): IdentityWords {
  return identity.kind === 'standard'
    ? {
        matches: true,
        lines: identity.threads.map(({ designation, series, flankDegrees }) => `${designation} (${series}, ${flankDegrees}°)`),
      }
    : {
        matches: false,
        lines: [
          `No standard size: nearest ${identity.nearest.designation}, Ø ${identity.nearest.diameterMm.toFixed(2)} mm, pitch ${identity.nearest.pitchMm.toFixed(3)} mm`,
        ],
      }
}
