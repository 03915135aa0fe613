import type { Block, Exception, LeftBeyond } from '../job/ready'
import type { ClosedBecause } from '../job/standing'
import { stageName, stepName } from './labels'
import { nameOf, type Speaker } from './speaker'
import { reasonOf } from './votes'

/** What must be settled before a job is sent. */
export function blockWords(speaker: Speaker, block: Block): string {
  switch (block.code) {
    case 'nothingThere':
      return 'Nothing is measured, inspected or found in this job: there is nothing to report.'
    case 'undecided':
      return `Decide first on: ${block.parts.map((id) => partName(speaker, id)).join(', ')}.`
    case 'stillInside':
      return `Still inside: ${block.things.map(({ name, count }) => `${count} × ${name}`).join(', ')}. Count them out on the strip map before sending.`
    case 'safetyWaits':
      return `Somebody may be hurt by it: ${block.because.map((vote) => reasonOf(speaker, vote)).join('; ')}.`
    case 'notSet':
      return `Somebody may be hurt by it: set, and take as left until it is inside: ${block.names.join(', ')}.`
    case 'leftBeyond':
      return `${leftBeyondWords(speaker, block.left, block.left.because ? reasonOf(speaker, block.left.because) : '')} Take it apart again, or have the policy keep it with a reason.`
  }
}

/** A part that is left beyond its limits, with the reason that says so. */
export const leftBeyondWords = (speaker: Speaker, { part, stage }: Pick<LeftBeyond, 'part' | 'stage'>, reason: string): string =>
  `${partName(speaker, part)}, ${stageName[stage].toLowerCase()}: ${reason}.`

const partName = (speaker: Speaker, id: string): string => speaker.part(id)?.name ?? id

/** What the level requires and is not done. */
export function exceptionWords(speaker: Speaker, exception: Exception): string {
  switch (exception.code) {
    case 'notDone':
      return `Not done: ${exception.step}`
    case 'notConfirmed':
      return `Not confirmed: ${stepName[exception.step]}`
    case 'limitNotHeld':
      return reasonOf(speaker, exception.because)
    case 'notSet':
      return `Not set, or not taken as left: ${exception.name}`
    case 'wantsCause':
      return `${reasonOf(speaker, exception.because)}: ${exception.isProtective ? 'a protective device found out of setting: why, and who set and sealed it' : 'out the same way at the last overhaul: what drives it'}`
    case 'notSuited': {
      const { part, mate, route } = exception
      const name = speaker.part(mate)?.routes.find(({ id }) => id === route)?.name ?? route
      return `${partName(speaker, part)} is kept, and ${partName(speaker, mate)} is worked by “${name}”, whose mate is made to suit`
    }
    case 'notMeasuredAsLeft':
      return `Not measured as left: ${nameOf(speaker, exception.characteristic)}`
  }
}

/** Why nothing may be written in a job. */
export const closedWords: Readonly<Record<ClosedBecause, string>> = {
  imported: 'This overhaul was imported from earlier records: nothing in it can be changed.',
  ended: 'This practice job has ended: nothing in it can be changed. Open another one to go on.',
  signed: 'This job is signed: nothing in it can be changed. A correction is a new job.',
  withReviewer: 'This job is with the reviewer. Ask for it to be returned before changing anything.',
}
