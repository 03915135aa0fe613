import { type KeyboardEvent, useId, useState } from 'react'
import type { PatternSpec } from '../../core/book/procedureSchema'
import {
  type Arrangement,
  countPattern,
  type ElementState,
  elementCount,
  judgePattern,
  rowsOf,
} from '../../core/condition/damagePattern'
import { patternWords } from '../../core/words/patterns'
import { say } from '../../labels/look'
import { Button, Key } from '../../ui/Button'
import { Fault } from '../../ui/Field'
import { SourceNote } from '../../ui/SourceNote'
import type { JobNotes } from '../notes/useNotes'
import { useSubjectForm } from '../notes/useSubjectForm'
import styles from './Look.module.css'

type Draft = Record<string, ElementState>

const GAP = 26
const LEAST_RADIUS = 70

/** Numbered elements in a ring or in rows: each sound, worn by so much, or broken; neighbours count across the joint. */
export function PatternSheet({ noted, pattern }: { readonly noted: JobNotes; readonly pattern: PatternSpec }) {
  const stored = noted.state.patterns.get(pattern.id)
  const before: Draft = Object.fromEntries([...(stored?.states ?? [])].map(([element, state]) => [String(element), state]))
  const form = useSubjectForm<{ states: Draft }>(noted, `pattern:${pattern.id}`, { states: before })
  const draft = form.value
  const [at, setAt] = useState(1)
  const [percent, setPercent] = useState('10')
  const percentId = useId()
  const total = elementCount(pattern.arrangement)
  const states = new Map(Object.entries(draft.states).map(([element, state]) => [Number(element), state]))
  const count = countPattern(pattern.arrangement, states)
  const standing = judgePattern(count, pattern.limits)
  const closed = noted.closed !== null

  const worn = (): ElementState | null => {
    const value = Number(percent.replace(',', '.'))
    return value > 0 && value < 100 ? { kind: 'worn', fraction: Math.round(value * 10) / 1000 } : null
  }
  const set = (element: number, state: ElementState): void => {
    form.set({ states: { ...draft.states, [String(element)]: state } })
    setAt(element)
  }
  const setWorn = (element: number): void => {
    const state = worn()
    if (state) set(element, state)
    else form.say([{ at: '', says: say.wornMoreThan }])
  }
  const next = (element: number, by: number): number => ((element - 1 + by + total) % total) + 1
  function onKeyDown(event: KeyboardEvent): void {
    if (closed || event.altKey || event.ctrlKey || event.metaKey) return
    const forward = (): void => setAt(next(at, 1))
    switch (event.key) {
      case 'ArrowRight':
      case 'ArrowDown':
        forward()
        break
      case 'ArrowLeft':
      case 'ArrowUp':
        setAt(next(at, -1))
        break
      case 's':
        set(at, { kind: 'sound' })
        forward()
        break
      case 'b':
        set(at, { kind: 'broken' })
        forward()
        break
      case 'w':
        setWorn(at)
        forward()
        break
      default:
        return
    }
    event.preventDefault()
  }
  const cycle = (element: number): void => {
    const state = states.get(element)?.kind
    if (state === undefined || state === 'notSeen') set(element, { kind: 'sound' })
    else if (state === 'sound') set(element, { kind: 'broken' })
    else if (state === 'broken') setWorn(element)
    else set(element, { kind: 'sound' })
  }
  const restSound = (): void => {
    const all: Draft = { ...draft.states }
    for (let element = 1; element <= total; element += 1) all[String(element)] ??= { kind: 'sound' }
    form.set({ states: all })
  }

  return (
    <section className={styles.pattern} aria-label={pattern.name}>
      <header className={styles.cardHead}>
        <h3>{pattern.name}</h3>
        <span className={styles.quiet}>
          {pattern.instruction} <SourceNote source={pattern.source} documents={noted.record.book.documents} />
        </span>
      </header>
      <div className={styles.patternBody}>
        <div
          className={styles.elements}
          role="application"
          aria-label={say.sArrowKeys(pattern.element, at, total, stateWord(states.get(at)))}
          // biome-ignore lint/a11y/noNoninteractiveTabindex: one stop for Tab; the keys set the element in turn
          tabIndex={0}
          onKeyDown={onKeyDown}
          style={sizeOf(pattern.arrangement)}
        >
          {placesOf(pattern.arrangement).map(({ element, x, y }) => (
            <button
              type="button"
              key={element}
              tabIndex={-1}
              disabled={closed}
              className={styles.element}
              data-state={states.get(element)?.kind ?? 'notSeen'}
              data-at={element === at || undefined}
              style={{ insetInlineStart: x, insetBlockStart: y }}
              aria-label={`${pattern.element} ${element}: ${stateWord(states.get(element))}`}
              onClick={() => cycle(element)}
            >
              {element}
            </button>
          ))}
        </div>
        <div className={styles.patternFacts}>
          <p className={styles.judged} data-standing={standing} aria-live="polite">
            <b>{standing === 'beyond' ? say.beyond : standing === 'inside' ? say.inside : say.open}</b>:{' '}
            {patternWords(standing, count, pattern.limits)}
          </p>
          <p>
            {say.counts(count)}
            {count.worst && say.worst(Math.round(count.worst.fraction * 1000) / 10, count.worst.element)}
          </p>
          {!closed && (
            <>
              <p className={styles.actions}>
                <label htmlFor={percentId}>{say.wornBy}</label>
                <input
                  id={percentId}
                  className={styles.percent}
                  inputMode="decimal"
                  value={percent}
                  onChange={(event) => setPercent(event.currentTarget.value)}
                />{' '}
                %<Button onClick={restSound}>{say.restSound}</Button>
              </p>
              <p className={styles.quiet}>
                {say.tapSoundBroken} <Key>S</Key> <Key>W</Key> <Key>B</Key>, <Key>←</Key> <Key>→</Key>.
              </p>
              <Fault text={form.fault} />
              <p className={styles.actions}>
                <Button
                  kind="primary"
                  disabled={!form.dirty}
                  onClick={() => {
                    const elements = [...states].flatMap(([element, state]) =>
                      state.kind === 'notSeen' ? [] : [{ element, state }],
                    )
                    void form.write({ kind: 'patternRecorded', pattern: pattern.id, elements })
                  }}
                >
                  {say.keepCount}
                </Button>
                {stored && <span className={styles.quiet}>{say.noted(stored.by)}</span>}
              </p>
            </>
          )}
        </div>
      </div>
    </section>
  )
}

function stateWord(state: ElementState | undefined): string {
  switch (state?.kind) {
    case 'sound':
      return say.soundWord
    case 'broken':
      return say.brokenWord
    case 'worn':
      return say.wornOf(Math.round(state.fraction * 1000) / 10)
    default:
      return say.notLookedAt
  }
}

const radiusOf = (count: number): number => Math.max(LEAST_RADIUS, (count * GAP) / (2 * Math.PI) + 4)

function sizeOf(arrangement: Arrangement): { inlineSize: number; blockSize: number } {
  if (arrangement.kind === 'rows')
    return { inlineSize: arrangement.perRow * GAP + 8, blockSize: arrangement.rows * (GAP + 4) + 8 }
  const side = 2 * radiusOf(arrangement.count) + GAP + 8
  return { inlineSize: side, blockSize: side }
}

/** Where each element is drawn, px from the corner of the drawing: number 1 of a ring is at the top, on clockwise. */
function placesOf(arrangement: Arrangement): { element: number; x: number; y: number }[] {
  if (arrangement.kind === 'rows')
    return rowsOf(arrangement).flatMap(({ elements }, row) =>
      elements.map((element, index) => ({ element, x: 4 + index * GAP, y: 4 + row * (GAP + 4) })),
    )
  const radius = radiusOf(arrangement.count)
  return Array.from({ length: arrangement.count }, (_, index) => {
    const angle = (2 * Math.PI * index) / arrangement.count
    return { element: index + 1, x: 4 + radius + radius * Math.sin(angle), y: 4 + radius - radius * Math.cos(angle) }
  })
}
