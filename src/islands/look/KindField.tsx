import { useId, useState } from 'react'
import type { FindingKind } from '../../core/condition/findingKinds'
import { findingWords, findKinds } from '../../core/words/findings'
import { say } from '../../labels/look'
import styles from './Look.module.css'

const MOST_SHOWN = 9

/** What was found, by the first letters of any name people have for it. */
export function KindField({
  value,
  onChange,
  inputRef,
}: {
  readonly value: FindingKind | null
  readonly onChange: (kind: FindingKind | null) => void
  readonly inputRef: React.RefObject<HTMLInputElement | null>
}) {
  const id = useId()
  const [text, setText] = useState('')
  const [at, setAt] = useState(0)
  const [open, setOpen] = useState(false)
  const found = findKinds(text).slice(0, text.trim() === '' ? 40 : MOST_SHOWN)
  const active = found[Math.min(at, found.length - 1)]
  const choose = (kind: FindingKind): void => {
    onChange(kind)
    setText('')
    setOpen(false)
  }
  return (
    <div className={styles.kind}>
      <label htmlFor={id} className={styles.label}>
        {say.whatFound}
      </label>
      <input
        ref={inputRef}
        id={id}
        className={styles.kindInput}
        role="combobox"
        aria-expanded={open}
        aria-controls={`${id}-list`}
        aria-activedescendant={open && active ? `${id}-${active}` : undefined}
        autoComplete="off"
        placeholder={say.typeScoPit}
        value={open ? text : value ? findingWords[value].label : text}
        onFocus={() => setOpen(true)}
        onBlur={() => setOpen(false)}
        onChange={(event) => {
          setText(event.currentTarget.value)
          setAt(0)
          setOpen(true)
          onChange(null)
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt(Math.min(found.length - 1, at + 1))
          else if (event.key === 'ArrowUp') setAt(Math.max(0, at - 1))
          else if (event.key === 'Enter' && open && active) choose(active)
          else if (event.key === 'Escape') setOpen(false)
          else return
          event.preventDefault()
        }}
      />
      {open && (
        <div id={`${id}-list`} className={styles.kindList} role="listbox" aria-label={say.kindsFinding}>
          {found.length === 0 && <p className={styles.quiet}>{say.nothingCatalogueCalled}</p>}
          {found.map((kind, index) => (
            <div
              key={kind}
              id={`${id}-${kind}`}
              role="option"
              tabIndex={-1}
              aria-selected={kind === active}
              className={styles.kindOption}
              data-active={index === at || undefined}
              // Before the field loses the focus, which would close the list.
              onPointerDown={(event) => {
                event.preventDefault()
                choose(kind)
              }}
            >
              {findingWords[kind].label}
              {findingWords[kind].alsoCalled.length > 0 && (
                <span className={styles.quiet}> {findingWords[kind].alsoCalled.join(', ')}</span>
              )}
            </div>
          ))}
        </div>
      )}
    </div>
  )
}
