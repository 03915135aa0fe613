import { useId } from 'react'
import styles from './Choice.module.css'

export interface ChoiceOption<T extends string> {
  readonly value: T
  readonly label: string
}

/** One of a few, all in sight: radio buttons drawn as a row of keys. Arrow keys move, as in any radio group. */
export function Choice<T extends string>({
  legend,
  options,
  value,
  onChange,
  disabled = false,
}: {
  readonly legend: string
  readonly options: readonly ChoiceOption<T>[]
  readonly value: T | null
  readonly onChange: (value: T) => void
  readonly disabled?: boolean
}) {
  const name = useId()
  return (
    <fieldset className={styles.choice} disabled={disabled}>
      <legend className={styles.legend}>{legend}</legend>
      <div className={styles.row}>
        {options.map((option) => (
          <label key={option.value} className={styles.option} data-chosen={option.value === value || undefined}>
            <input type="radio" name={name} checked={option.value === value} onChange={() => onChange(option.value)} />
            <span>{option.label}</span>
          </label>
        ))}
      </div>
    </fieldset>
  )
}
