import styles from './search.module.css'

/** A field that narrows what is shown while one types. */
export function SearchField({
  label,
  value,
  onChange,
}: {
  readonly label: string
  readonly value: string
  readonly onChange: (value: string) => void
}) {
  return (
    <input
      type="search"
      className={styles.search}
      aria-label={label}
      placeholder={label}
      value={value}
      maxLength={80}
      autoComplete="off"
      onChange={(event) => onChange(event.currentTarget.value)}
    />
  )
}
