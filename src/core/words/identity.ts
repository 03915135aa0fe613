import type { BearingIdentity, BearingType } from '../identify/rollingBearing'
import type { SealIdentity } from '../identify/shaftSeal'
import type { ThreadIdentity, ThreadSeries } from '../identify/thread'
import type { Identity } from '../notes/identity'
import { formatLength, unitLabel } from '../quantity/format'
import type { UnitSystem } from '../quantity/unitSystem'

/** What a part may be, in words: designations that match its sizes, or the nearest standard size and how far off it is. */
export interface IdentityWords {
  readonly matches: boolean
  readonly lines: readonly string[]
}

export function identityWords(identity: Identity, system: UnitSystem): IdentityWords {
  switch (identity.of) {
    case 'bearing':
      return markedWords(bearingWords(identity.found, system), identity.marking)
    case 'seal':
      return sealWords(identity.found)
    case 'thread':
      return threadWords(identity.found)
  }
}

/** Sizes and marking together: either alone says too little. */
function markedWords(sizes: IdentityWords, marking: Extract<Identity, { readonly of: 'bearing' }>['marking']): IdentityWords {
  switch (marking) {
    case 'agrees':
      return { ...sizes, lines: [...sizes.lines, 'Its marking agrees with its sizes.'] }
    case 'differs':
      return {
        matches: false,
        lines: [
          ...sizes.lines,
          'Its marking names none of these: read it again, measure again, and look it up in the maker’s list.',
        ],
      }
    case 'none':
      return sizes.matches
        ? {
            ...sizes,
            lines: [...sizes.lines, 'By its sizes alone it is not identified: note its marking, with type, clearance and cage.'],
          }
        : sizes
  }
}

const bearingTypeName: Readonly<Record<BearingType, string>> = {
  deepGrooveBall: 'deep groove ball',
  taperedRoller: 'tapered roller',
  angularContactBall: 'angular contact ball',
  selfAligningBall: 'self-aligning ball',
  cylindricalRoller: 'cylindrical roller',
  sphericalRoller: 'spherical roller',
}

const threadSeriesName: Readonly<Record<ThreadSeries, string>> = {
  isoCoarse: 'ISO metric, coarse',
  isoFine: 'ISO metric, fine',
  unified: 'Unified',
  whitworth: 'Whitworth form',
}

function bearingWords(identity: BearingIdentity, system: UnitSystem): IdentityWords {
  if (identity.kind === 'standard')
    return {
      matches: true,
      lines: identity.bearings.flatMap(({ designations, boreMm, outsideMm, widthMm, series }) => {
        const size = `${boreMm} × ${outsideMm} × ${widthMm} mm`
        return designations.length > 0
          ? designations.map(({ designation, type }) => `${designation} (${bearingTypeName[type]}), ${size}`)
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
        lines: identity.threads.map(
          ({ designation, series, flankDegrees }) => `${designation} (${threadSeriesName[series]}, ${flankDegrees}°)`,
        ),
      }
    : {
        matches: false,
        lines: [
          `No standard size: nearest ${identity.nearest.designation}, Ø ${identity.nearest.diameterMm.toFixed(2)} mm, pitch ${identity.nearest.pitchMm.toFixed(3)} mm`,
        ],
      }
}
