import type { JobStep } from './steps'

/** A setting that must be made and is not taken as left and inside. */
export interface OpenSetting {
  readonly name: string
  /** Measurements that tell of it. */
  readonly measures: readonly string[]
  /** It can only be taken while proving. */
  readonly isProving: boolean
}

/**
 * Settings that a step waits for: it takes them itself, or it comes after all of them are to be made. What can only be taken while
 * proving keeps those closed that come after the step that takes it.
 */
export function settingsBefore<S extends OpenSetting>(
  step: Pick<JobStep, 'id' | 'phase' | 'book'>,
  steps: readonly Pick<JobStep, 'id' | 'phase' | 'book'>[],
  settings: readonly S[],
): readonly S[] {
  const takes = ({ book }: Pick<JobStep, 'book'>, { measures }: OpenSetting): boolean =>
    measures.some((id) => book?.measures.includes(id))
  const proving = steps.filter(({ phase }) => phase === 'prove')
  const upToHere = proving.slice(0, proving.findIndex(({ id }) => id === step.id) + 1)
  const waitsFor = (of: OpenSetting): boolean => {
    if (step.phase === 'rebuild') return !of.isProving && takes(step, of)
    return step.phase === 'prove' && (!of.isProving || upToHere.some((other) => takes(other, of)))
  }
  return settings.filter(waitsFor)
}
