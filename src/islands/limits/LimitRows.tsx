import type { Method } from '../../core/method/method'
import type { ReductionName } from '../../core/method/reduction'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { valueName } from '../../core/words/labels'
import { say } from '../../labels/limits'
import { Button } from '../../ui/Button'
import { SelectField, TextField } from '../../ui/Field'
import styles from './Limits.module.css'
import { emptyLimit, judgedBy, judgeLabel, type LimitRow, usualJudge } from './typedForm'

/** The limits as the manual gives them, a row each. */
export function LimitRows({
  rows,
  method,
  system,
  at,
  onChange,
}: {
  readonly rows: readonly LimitRow[]
  /** Null while its set-up cannot be read. */
  readonly method: Method | null
  readonly system: UnitSystem
  /** What is wrong with a field, by its path. */
  readonly at: (path: string) => string | null
  onChange(rows: readonly LimitRow[]): void
}) {
  const setLimit = (index: number, over: Partial<LimitRow>): void =>
    onChange(rows.map((row, place) => (place === index ? { ...row, ...over } : row)))
  return (
    <fieldset className={styles.limits}>
      <legend>{say.limitsAsManual}</legend>
      {rows.map((row, index) => (
        <div key={row.key} className={styles.limitRow}>
          <SelectField
            label={say.judged}
            value={row.judges === '' && method ? usualJudge(method, row.side) : row.judges}
            options={
              method
                ? judgedBy(method).map((name) => ({ value: name, label: judgeLabel(method, name, system) }))
                : [{ value: row.judges, label: valueName[row.judges as ReductionName] ?? say.setMethodUp }]
            }
            onChange={(event) => setLimit(index, { judges: event.currentTarget.value })}
          />
          <SelectField
            label={say.may}
            value={row.side}
            options={[
              { value: 'upper', label: say.most },
              { value: 'lower', label: say.least },
            ]}
            onChange={(event) => setLimit(index, { side: event.currentTarget.value as LimitRow['side'] })}
          />
          <TextField
            label={say.wearLimit}
            value={row.wear}
            error={at(`limits.${index}.wear`)}
            maxLength={60}
            autoComplete="off"
            onChange={(event) => setLimit(index, { wear: event.currentTarget.value })}
          />
          <TextField
            label={say.planLimit}
            value={row.plan}
            maxLength={60}
            autoComplete="off"
            onChange={(event) => setLimit(index, { plan: event.currentTarget.value })}
          />
          <TextField
            label={say.page}
            value={row.page}
            error={at(`limits.${index}.page`)}
            maxLength={40}
            autoComplete="off"
            onChange={(event) => setLimit(index, { page: event.currentTarget.value })}
          />
          <SelectField
            label={say.whenPassed}
            value={row.whenPassed}
            options={[
              { value: 'mend', label: say.mendReplace },
              { value: 'replace', label: say.replace },
            ]}
            onChange={(event) => setLimit(index, { whenPassed: event.currentTarget.value as LimitRow['whenPassed'] })}
          />
          <Button onClick={() => onChange(rows.filter((_, place) => place !== index))} aria-label={say.takeLimitOut(index + 1)}>
            ×
          </Button>
        </div>
      ))}
      <div>
        <Button onClick={() => onChange([...rows, emptyLimit(rows.at(-1)?.page ?? '')])}>{say.anotherLimit}</Button>
      </div>
    </fieldset>
  )
}
