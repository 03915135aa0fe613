import { quantityOfValue } from '../../core/method/gives'
import type { Method } from '../../core/method/method'
import type { ReductionName } from '../../core/method/reduction'
import { unitOf } from '../../core/quantity/format'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { farOff } from '../../core/typed/farOff'
import { isOfSize, judgedBy, usualJudge } from '../../core/typed/usual'
import { valueName } from '../../core/words/labels'
import { say } from '../../labels/limitRow'
import { Button } from '../../ui/Button'
import row from '../limitRow/LimitRow.module.css'
import { LimitTable, type LimitTableRow } from '../limitRow/LimitTable'
import styles from './Limits.module.css'
import { emptyLimit, type LimitRow } from './typedForm'

/** The limits as the manual gives them, a row each. */
export function LimitRows({
  rows,
  method,
  newLeast,
  system,
  at,
  onChange,
}: {
  readonly rows: readonly LimitRow[]
  /** Null while its set-up cannot be read. */
  readonly method: Method | null
  readonly newLeast: string
  readonly system: UnitSystem
  /** What is wrong with a field, by its path. */
  readonly at: (path: string) => string | null
  onChange(rows: readonly LimitRow[]): void
}) {
  const set = (index: number, over: Partial<LimitRow>): void =>
    onChange(rows.map((one, place) => (place === index ? { ...one, ...over } : one)))
  const table = rows.map((limit, index): LimitTableRow => {
    const judges = limit.judges === '' ? (method ? usualJudge(method, limit.side) : null) : (limit.judges as ReductionName)
    const { plan, wear, whenPassed, page } = limit
    const quantity = method && judges ? quantityOfValue(method, judges) : null
    return {
      key: limit.key,
      of: `${judges ? valueName[judges] : say.setMethodUp}, ${limit.side === 'upper' ? say.most : say.least}`,
      head: (
        <span className={row.judged}>
          <select aria-label={say.judged} value={judges ?? ''} onChange={({ target }) => set(index, { judges: target.value })}>
            {method ? (
              judgedBy(method).map((name) => (
                <option key={name} value={name}>
                  {valueName[name]}
                </option>
              ))
            ) : (
              <option value={judges ?? ''}>{judges ? valueName[judges] : say.setMethodUp}</option>
            )}
          </select>
          <select
            aria-label={say.side}
            value={limit.side}
            onChange={({ target }) => set(index, { side: target.value as LimitRow['side'] })}
          >
            <option value="upper">{say.most}</option>
            <option value="lower">{say.least}</option>
          </select>
        </span>
      ),
      unit: quantity ? unitOf(quantity, system) : '',
      texts: { plan, wear, whenPassed, page },
      wrong: (cell) => at(`limits.${index}.${cell}`),
      // Only what is judged in the unit of its readings lies near the new size.
      far:
        quantity && method
          ? farOff({ wear, plan, newLeast: judges && isOfSize(method, judges) ? newLeast : '' }, quantity, system)
          : null,
    }
  })
  return (
    <fieldset className={styles.limits}>
      <legend>{say.limitsAsManual}</legend>
      <LimitTable
        rows={table}
        cells={['plan', 'wear', 'whenPassed', 'page']}
        onType={(typed) =>
          onChange(rows.map((one, index) => ({ ...one, ...(typed.get(index) as Partial<LimitRow> | undefined) })))
        }
        onRemove={(index) => onChange(rows.filter((_, place) => place !== index))}
      />
      <div>
        <Button onClick={() => onChange([...rows, emptyLimit(rows.at(-1)?.page ?? '')])}>{say.another}</Button>
      </div>
      <p className={styles.about}>
        {say.none} {say.byTable}
      </p>
    </fieldset>
  )
}
