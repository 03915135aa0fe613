import type { KeyboardEvent, PointerEvent, ReactNode } from 'react'
import styles from './Tabs.module.css'

export interface Tab<T extends string> {
  readonly id: T
  readonly label: ReactNode
}

/** Two or three views of one thing. One stop for Tab; arrow keys change the view, as in any row of tabs. */
export function Tabs<T extends string>({
  label,
  tabs,
  value,
  onChange,
}: {
  readonly label: string
  readonly tabs: readonly Tab<T>[]
  readonly value: T
  readonly onChange: (value: T) => void
}) {
  function onKeyDown(event: KeyboardEvent): void {
    const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
    if (by === undefined) return
    const at = tabs.findIndex(({ id }) => id === value)
    const next = tabs[(at + by + tabs.length) % tabs.length]
    if (!next) return
    event.preventDefault()
    onChange(next.id)
    document.getElementById(`tab-${next.id}`)?.focus()
  }
  return (
    <div className={styles.tabs} role="tablist" aria-label={label} onKeyDown={onKeyDown}>
      {tabs.map((tab) => (
        <button
          key={tab.id}
          type="button"
          role="tab"
          id={`tab-${tab.id}`}
          aria-selected={tab.id === value}
          tabIndex={tab.id === value ? 0 : -1}
          onClick={() => onChange(tab.id)}
        >
          {tab.label}
        </button>
      ))}
    </div>
  )
}

/** What a tab shows. */
export function TabPanel({
  tab,
  className,
  onPointerDown,
  children,
}: {
  readonly tab: string
  readonly className?: string
  readonly onPointerDown?: (event: PointerEvent<HTMLElement>) => void
  readonly children: ReactNode
}) {
  return (
    <div className={className} role="tabpanel" aria-labelledby={`tab-${tab}`} onPointerDown={onPointerDown}>
      {children}
    </div>
  )
}
