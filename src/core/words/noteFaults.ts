import type { DraftFault } from '../notes/draftBook'
import type { NoteFault } from '../notes/noteFault'
import { additionFaultWords } from './additions'
import { licensedFieldName } from './cautions'
import { clockText } from './clock'
import { quantityFaultWords } from './quantities'
import { typedFaultWords } from './typedFaults'

/** Why a note cannot be taken as things stand. */
export function noteFaultWords(fault: NoteFault): string {
  switch (fault.code) {
    case 'noStep':
      return `This job has no step “${fault.id}”.`
    case 'closed':
      return `“${fault.step}” stays closed until “${fault.until}” is done.`
    case 'waitNotStarted':
      return `“${fault.step}” waits ${fault.minutes} min: ${fault.waitsFor}. Start the clock first.`
    case 'stillWaiting':
      return `“${fault.step}”: ${clockText(fault.leftMs)} still to wait (${fault.waitsFor}).`
    case 'needsLicence':
      return `“${fault.step}” needs a licensed person (${licensedFieldName[fault.field]}): give name and licence.`
    case 'stillInside':
      return `“${fault.step}”: still inside: ${fault.things.join(', ')}. Count everything out on the strip map first.`
    case 'notSet':
      return `“${fault.step}” waits until it is set, taken as left and inside: ${fault.things.join(', ')}.`
    case 'destroysEvidence':
      return `“${fault.step}” destroys ${fault.position}. Save its evidence first: a picture, its thickness or its sizes.`
    case 'mustNotBeSkipped':
      return `“${fault.step}” ${fault.makesSafe ? 'makes the machine safe' : 'is a hold point'} and cannot be skipped. If it does not apply to this machine, say so and why; a second person agrees.`
    case 'mayBeSkipped':
      return `“${fault.step}” may be skipped: say why there.`
    case 'nobodySaysSo':
      return `Nobody says that “${fault.step}” does not apply.`
    case 'agreedAlready':
      return `${fault.by} agreed to that already.`
    case 'saidYourself':
      return `You said yourself that “${fault.step}” does not apply: a second person agrees or does not.`
    case 'openAlready':
      return `“${fault.step}” is open already.`
    case 'stepIdTaken':
      return 'A step with this id is there already.'
    case 'noStepBefore':
      return `There is no step “${fault.id}” to put it after.`
    case 'notThere':
      return `“${fault.step}” cannot go there: a step cannot pass a hold point or leave its part of the job.`
    case 'noWait':
      return `“${fault.step}” has no waiting time.`
    case 'noPosition':
      return `This machine has no position “${fault.id}”. Reload the page; the part may belong to another job.`
    case 'noPart':
      return `The limit book has no part “${fault.id}”.`
    case 'noCaution':
      return `There is no caution “${fault.id}”.`
    case 'addition':
      return fault.why.map(additionFaultWords).join(' ')
    case 'decidedBy':
      return `A verdict was made by it: “${fault.name}” stays on record.`
    case 'notAddedHere':
      return 'That was not added in this job, or was taken out again.'
    case 'noCharacteristic':
      return `The limit book has no characteristic “${fault.id}”.`
    case 'noFinding':
      return 'That finding is not on record, or was withdrawn.'
    case 'outBefore':
      return `Nothing is taken out before “${fault.step}” is done.`
    case 'notSafeYet':
      return 'Nothing is taken out before the machine is safe. Confirm “Make safe” first.'
    case 'positionIdTaken':
      return 'A position with this id is there already.'
    case 'insideItself':
      return `A part cannot sit inside itself: ${fault.positions.join(' in ')}. Nothing was moved.`
    case 'noJoint':
      return `The limit book has no joint “${fault.id}”.`
    case 'noPiece':
      return `There is no piece ${fault.piece}: this part has ${fault.count}.`
    case 'noStation':
      return `The part has no station “${fault.id}”.`
    case 'noPattern':
      return `The limit book has no pattern “${fault.id}”.`
    case 'tooManyElements':
      return `${fault.pattern} has ${fault.count} elements, no more.`
    case 'elementTwice':
      return `${fault.pattern}: an element is named twice.`
    case 'noHandTest':
      return `The limit book has no hand test “${fault.id}”.`
    case 'methodStays':
      return `${fault.name} is read by its method already, so the method stays. Type another characteristic for another method.`
    case 'notTypedHere':
      return 'This characteristic is not one that was typed in this job.'
    case 'hasReadings':
      return `${fault.name} has readings, so it stays. Mark what cannot be measured, and say why.`
    case 'usedBy':
      return `${fault.name} is computed from it, so it stays.`
    case 'typedAnew':
      return `${fault.name} has been edited in the meantime. Check it again.`
    case 'typedYourself':
      return `You typed ${fault.name} yourself: a second person checks it against the document.`
    case 'sayWhatDiffers':
      return 'Say what does not agree with the document.'
    case 'typed':
      return fault.why.map(typedFaultWords).join(' ')
    case 'noSize':
      return quantityFaultWords(fault.why)
    case 'sizeOfNothing':
      return `“${fault.text}” is not a size: it must be more than zero.`
    case 'noPitch':
      return `“${fault.text}” is not a pitch: type mm, inches, or threads per inch as “12 tpi”.`
    case 'notExplainedYet':
      return 'Name the finding that explains the complaint first; then say how it was proved gone.'
    case 'noPicture':
      return 'That picture is not in this job.'
    case 'neverPutIn':
      return 'That was never counted in. Count it in first.'
    case 'onlySoMany':
      return `Only ${fault.inside} of “${fault.name}” went in; ${fault.count} cannot come out.`
    case 'noPlanLine':
      return `The plan of this level has no line “${fault.id}”.`
    case 'tooManySides':
      return fault.has === 0 ? `${fault.part} has no sides to be turned.` : `${fault.part} has ${fault.has} sides.`
    case 'noVariant':
      return `The limit book knows no such type “${fault.id}”.`
    case 'readOnOther':
      return `${fault.name} was read, and the type said to be fitted has none. Withdraw those readings first, or say which type it is.`
    case 'noReading':
      return 'That reading is not in this job. Reload the page.'
  }
}

/** Why what was typed in a job cannot be made a draft book yet. */
export function draftFaultWords(fault: DraftFault): string {
  switch (fault.code) {
    case 'nothingTyped':
      return 'Nothing was typed in this job: there is nothing to make a draft of.'
    case 'notAsDocument':
      return `Not in agreement with the document: ${fault.names.join(', ')}. Edit them first.`
    case 'notChecked':
      return `Not checked by a second person yet: ${fault.names.join(', ')}.`
  }
}
