import { formatHours } from '../core/quantity/format'
import { say } from '../labels/longWork'
import type { LongStage, Progress } from './longWork'

const stageWords: Record<LongStage, string> = {
  sending: say.sending,
  reading: say.reading,
  storing: say.storing,
  layingOut: say.layingOut,
  verifying: say.verifying,
  seeding: say.seeding,
  saving: say.saving,
  bringingBack: say.bringingBack,
}

/** How far a long piece of work is: “Storing readings: 4 000 of 12 000”. */
export const farWords = ({ stage, done, of }: Progress): string =>
  of > 1 ? `${stageWords[stage]}: ${formatHours(done)} of ${formatHours(of)}` : `${stageWords[stage]} …`
