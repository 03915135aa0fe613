import { type LeftOut, levelOf } from '../scope/need'
import { nameOf, type Speaker } from './speaker'

/** Why characteristics are not required. */
export function leftOutWords(speaker: Speaker, because: LeftOut): string {
  switch (because.code) {
    case 'gateHeld':
      return `Not required: the gate held (${because.measured.map((id) => nameOf(speaker, id)).join(', ')} inside their limits)`
    case 'gateOpen':
      return `Needed only if the gate fails, then as “${levelOf(speaker.book, because.grows)?.name ?? 'the next level'}”`
    case 'level':
      return `Not required at the level “${levelOf(speaker.book, because.level)?.name ?? because.level}”`
  }
}
