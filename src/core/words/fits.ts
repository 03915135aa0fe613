import type { BearingClass, ClearanceType } from '../fit/bearingTolerance'
import type { FitFault, FitNote } from '../fit/fitKind'
import type { FitKindName } from '../fit/kinds'
import type { WrittenClassFault } from '../fit/writtenClass'
import { formatQuantity, unitOf } from '../quantity/format'
import { quantityFaultWords } from './quantities'
import { nameOf, type Speaker } from './speaker'

/** What a kind of fit is called. */
export const fitKindWords: Readonly<Record<FitKindName, string>> = {
  shaftInBore: 'shaft in bore',
  bearingOnShaft: 'rolling bearing on shaft',
  bearingInHousing: 'rolling bearing in housing',
  bearingClearance: 'play left in a rolling bearing',
  driveUp: 'bearing driven up on a taper',
  axialSetting: 'axial play or preload',
  keyInKeyway: 'key in keyway',
  ringInGroove: 'ring in groove',
  ringInBore: 'ring gap where it runs',
  float: 'float against growth',
  shrinkFit: 'shrink fit',
  shimPair: 'faces set by shims',
  groundPad: 'gap set by a pad',
  chain: 'dimension chain',
}

/** Tolerance classes of rolling bearings. */
export const bearingClassWords: Readonly<Record<BearingClass, string>> = {
  normal: 'normal class',
  class6: 'class 6',
  class5: 'class 5',
  tapered: 'tapered bore 1:12',
  taperRoller: 'taper roller bearing',
  inchTaperRoller: 'taper roller bearing in inches',
}

export const clearanceTypeWords: Readonly<Record<ClearanceType, string>> = {
  deepGrooveBall: 'deep groove ball',
  selfAligningBall: 'self-aligning ball',
  cylindricalRoller: 'cylindrical roller',
  sphericalRoller: 'spherical roller',
  sphericalRollerTapered: 'spherical roller, tapered bore',
}

const padWords = { opens: 'opens the gap', closes: 'closes the gap' } as const

/** What a class, a type or a clearance group is called where one is chosen. */
export const mateChoiceWords = (choice: string, value: string): string => {
  const words: Readonly<Record<string, string>> =
    choice === 'tolerance' ? bearingClassWords : choice === 'thickerPad' ? padWords : clearanceTypeWords
  return words[value] ?? value
}

const STEP_MM = 0.001
const STEP_C = 1

/** What a fit says beside its clearance. */
export function fitNoteWords(note: FitNote, speaker: Speaker): string {
  const { units } = speaker
  const length = (mm: number): string => `${formatQuantity(mm, 'length', units, STEP_MM)} ${unitOf('length', units)}`
  const warm = (celsius: number): string =>
    `${formatQuantity(celsius, 'temperature', units, STEP_C)} ${unitOf('temperature', units)}`
  switch (note.code) {
    case 'tolerance':
      return `${note.of === 'bore' ? 'Bore' : 'Outside'} of the bearing ${length(note.lowerMm)} … ${length(note.upperMm)} from its nominal size, ${note.standard}:${note.edition}.`
    case 'before':
      return `Play of the bearing as it comes ${length(note.leastMm)} … ${length(note.greatestMm)}, group ${note.group}, ${note.standard}:${note.edition}. Check by feeler or by hand once it is fitted.`
    case 'growth':
      return note.growthMm >= 0
        ? `When warm the shaft grows ${length(note.growthMm)} further than its housing. Leave the room on the side it grows to.`
        : `When warm the housing grows ${length(-note.growthMm)} further than the shaft. Leave the room on the side it grows to.`
    case 'shims': {
      const [opens, closes] = [nameOf(speaker, note.opens), nameOf(speaker, note.closes)]
      const isIn = note.holds ? 'both inside their bands' : 'and no stack brings both inside their bands: a face is worn'
      if (note.addMm === 0)
        return `No shims to add or take out: ${opens} ${length(note.opensToMm)}, ${closes} ${length(note.closesToMm)}, ${isIn}.`
      const sum = `${length(Math.abs(note.addMm))} of shims`
      const does =
        note.stackMm === null
          ? `Take out ${sum} where they close`
          : `Add ${note.stackMm.length === 1 ? '' : `${note.stackMm.map(length).join(' + ')} = `}${sum} where they open`
      return `${does} ${opens}. Then it is ${length(note.opensToMm)}, and ${closes} ${length(note.closesToMm)}, ${isIn}. Check by dial.`
    }
    case 'axialSetting': {
      const state = note.isMm < 0 ? `Preload ${length(-note.isMm)}` : `Play ${length(note.isMm)}`
      const wanted = note.wantedMm < 0 ? `preload ${length(-note.wantedMm)}` : `play ${length(note.wantedMm)}`
      if (note.isIn) return `${state}, as wanted. Turn the shaft while tightening, and check by hand that it does not bind.`
      const gasket =
        note.gasketMm === null
          ? ''
          : note.gasketMm <= 0
            ? ' No gasket is thin enough.'
            : ` A gasket of ${length(note.gasketMm)} would give it.`
      return `${state}; wanted is ${wanted}.${gasket} Turn the shaft while tightening, and check by hand that it does not bind.`
    }
    case 'pad':
      if (note.toMm === note.padMm) return `The pad stays as it is: ${length(note.padMm)}.`
      if (note.isTooThin) return `The pad would have to be ${length(note.toMm)}, thinner than it may be: look for what has moved.`
      return note.toMm < note.padMm
        ? `Grind the pad from ${length(note.padMm)} to ${length(note.toMm)}: ${length(note.padMm - note.toMm)} off. Measure the gap again.`
        : `A pad of ${length(note.toMm)} is needed; this one has ${length(note.padMm)}. Measure the gap again.`
    case 'shopBand': {
      const band =
        note.lower === null
          ? `≤ ${length(note.upper ?? 0)}`
          : note.upper === null
            ? `≥ ${length(note.lower)}`
            : `${length(note.lower)} … ${length(note.upper)}`
      const state =
        note.isIn === null
          ? ''
          : note.isIn
            ? ', and it lies inside'
            : ', and it lies outside: within the maker’s limits it may go, and the shop wants better'
      return `The shop’s own band is ${band}${state}.`
    }
    case 'heatTo':
      if (note.isTooHot && note.greatestC !== null)
        return `Needs ${warm(note.celsius)} to go on, and the part may not be heated above ${warm(note.greatestC)}: cool the inner part as well, or press it on.`
      return `Heat evenly to ${warm(note.celsius)} to put it on. No open flame on a bearing.`
  }
}

/** What is wrong with a size that is written with its tolerance class. */
export function writtenClassWords(fault: WrittenClassFault): string {
  switch (fault.code) {
    case 'noSize':
      return quantityFaultWords(fault.why)
    case 'notAClass':
      return `“${fault.text}” is no tolerance class; write one as H7 or k6`
    case 'letterNotHere':
      return `ISO 286 has no class of letter ${fault.letter} for ${fault.nominalMm} mm`
    case 'gradeNotHere':
      return `ISO 286 has no grade ${fault.grade} there for ${fault.nominalMm} mm`
    case 'sizeNotInTable':
      return `ISO 286 ends at 3150 mm and begins above 0; ${fault.nominalMm} mm is not in it`
  }
}

/** Why a fit cannot be as a book has it. */
export function fitFaultWords(fault: FitFault): string {
  switch (fault.code) {
    case 'bearingNotInTable':
      return `${bearingClassWords[fault.tolerance]}: no tolerance for a bearing of ${fault.sizeMm} mm in ISO 492 or ISO 578`
    case 'clearanceNotInTable':
      return `no play of group ${fault.group} for a bore of ${fault.boreMm} mm in ISO 5753-1`
    case 'bandEndsSwapped':
      return 'the least gap of a face is larger than the greatest'
    case 'chainOfNothing':
      return 'a chain whose sizes cancel says nothing'
  }
}
