import { figuresAt } from '../../../contract/figuresAt'
import type { Measured } from '../../../core/evaluate/results'
import type { ReductionName } from '../../../core/method/reduction'
import { type Stage, stages } from '../../../core/record/stage'
import { changeWords } from '../../../core/words/changes'
import { stageName, valueName } from '../../../core/words/labels'
import { say } from '../../../labels/bench'
import { SourceNote } from '../../../ui/SourceNote'
import { VerdictWord } from '../../../ui/VerdictMark'
import type { Bench } from '../benchState'
import styles from './StagesBeside.module.css'
import shared from './values.module.css'

/** As found, after work and as left side by side, and what may have changed between them. */
export function StagesBeside({ bench }: { readonly bench: Bench }) {
  const { whole, characteristic, stage, record, system } = bench
  if (whole.stages.length === 0 && stage === 'asFound' && whole.changes.length === 0) return null
  const names = [
    ...new Set<ReductionName>([
      ...characteristic.limits.map(({ judges }) => judges),
      ...whole.changes.map(({ limit }) => limit.judges),
    ]),
  ]
  const at = (wanted: Stage): Measured | undefined =>
    wanted === 'asFound' ? whole : whole.stages.find((other) => other.stage === wanted)
  const shown = names.length > 0 ? names : (Object.keys(whole.reductions.values).slice(0, 1) as ReductionName[])
  return (
    <>
      <h2>{say.stageStage}</h2>
      <table className={styles.stages}>
        <thead>
          <tr>
            <td />
            {stages.map((each) => (
              <th key={each} scope="col" data-now={each === stage ? '' : undefined}>
                {stageName[each]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.map((name) => (
            <tr key={name}>
              <th scope="row">{valueName[name]}</th>
              {stages.map((each) => {
                const value = at(each)?.reductions.values[name]
                return (
                  <td key={each} className="figure" data-now={each === stage ? '' : undefined}>
                    {value ? figuresAt(bench, name).extent(value) : '–'}
                  </td>
                )
              })}
            </tr>
          ))}
          <tr>
            <th scope="row">{say.verdict}</th>
            {stages.map((each) => {
              const verdict = at(each)?.verdict
              return (
                <td key={each} data-now={each === stage ? '' : undefined}>
                  {verdict ? <VerdictWord verdict={verdict} size={13} /> : '–'}
                </td>
              )
            })}
          </tr>
        </tbody>
      </table>
      {whole.changes.map((outcome) => (
        <p key={outcome.limit.id} className={shared.change} data-standing={outcome.standing}>
          {changeWords(outcome, characteristic, system)}{' '}
          {outcome.standing === 'outside' && outcome.limit.instruction !== '' && <b>{outcome.limit.instruction}. </b>}
          <SourceNote source={outcome.limit.source} documents={record.book.documents} />
        </p>
      ))}
    </>
  )
}
