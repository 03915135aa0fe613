import { type CSSProperties, type KeyboardEvent, memo, useEffect, useMemo, useRef } from 'react'
import { valueWords } from '../../../contract/readingWords'
import { stepOf } from '../../../core/method/gives'
import { formAt, quantityAt, type Slot, slotKey } from '../../../core/method/layout'
import { figuresOf } from '../../../core/quantity/figures'
import { unitOf } from '../../../core/quantity/format'
import type { Reading } from '../../../core/record/recordSchema'
import { slotWords } from '../../../core/words/places'
import { say } from '../../../labels/bench'
import type { Bench, BenchActs } from '../benchState'
import { PaintedGrid } from './PaintedGrid'
import styles from './ReadingGrid.module.css'
import { sheetOf } from './sheet'

/** The sheet of the method: every place with what was read there, and the field at the one to be read now. */
export function ReadingGrid({ bench }: { readonly bench: Bench }) {
  return bench.characteristic.method.kind === 'contactPattern' ? (
    <PaintedGrid bench={bench}>
      <Grid bench={bench} />
    </PaintedGrid>
  ) : (
    <Grid bench={bench} />
  )
}

/** From here on a column is hardly wider than the figure in it. */
const MANY_COLUMNS = 6

function Grid({ bench }: { readonly bench: Bench }) {
  const { method } = bench.characteristic
  const sheet = useMemo(() => sheetOf(method, bench.repeats), [method, bench.repeats])
  if (sheet.kind === 'flow')
    return (
      <div className={styles.flows}>
        {sheet.groups.map((group) => (
          <section key={group.head} aria-label={group.head || undefined}>
            {group.head !== '' && <p className={styles.columnHead}>{group.head}</p>}
            <div
              className={styles.flow}
              data-dense={group.cells.length > 12 ? '' : undefined}
              data-few={group.cells.length < 3 ? '' : undefined}
            >
              {group.cells.map(({ slot, head }) => (
                <div key={slotKey(slot)} className={styles.flowCell}>
                  <span className={styles.columnHead} title={head}>
                    {head}
                  </span>
                  <Place bench={bench} slot={slot} />
                </div>
              ))}
            </div>
          </section>
        ))}
      </div>
    )
  return (
    <div
      className={styles.grid}
      data-many={sheet.columns.length > MANY_COLUMNS ? '' : undefined}
      style={
        {
          '--columns': sheet.columns.length,
          gridTemplateColumns: `clamp(58px, 16%, 120px) repeat(${sheet.columns.length}, minmax(var(--least-column, 0px), 1fr))`,
        } as CSSProperties
      }
    >
      <span />
      {sheet.columns.map((head) => (
        <span key={head} className={styles.columnHead}>
          {head}
        </span>
      ))}
      {sheet.rows.map((row) => (
        <div key={row.head} className={styles.row}>
          <span className={styles.rowHead}>{row.head}</span>
          {row.cells.map((slot, index) =>
            // biome-ignore lint/suspicious/noArrayIndexKey: a place that is not read keeps its column
            slot ? <Place key={slotKey(slot)} bench={bench} slot={slot} /> : <span key={index} />,
          )}
        </div>
      ))}
    </div>
  )
}

function Place({ bench, slot }: { readonly bench: Bench; readonly slot: Slot }) {
  const isActive = slotKey(slot) === slotKey(bench.active)
  return isActive && canType(bench, slot) ? (
    <ActiveCell bench={bench} slot={slot} />
  ) : (
    <Cell slot={slot} isActive={isActive} acts={bench.acts} {...cellOf(bench, slot)} />
  )
}

/**
 * A place holds the field while it is empty or being corrected; a taken one shows its reading. Where somebody else reads
 * first, what is being typed stays in sight.
 */
function canType({ closed, mode, text, standingAt }: Bench, slot: Slot): boolean {
  if (closed !== null || mode.kind === 'cannot') return false
  if (mode.kind === 'retake') return mode.begun
  return mode.kind === 'correct' || text !== '' || !standingAt(slot)
}

interface CellProps {
  readonly acts: BenchActs
  readonly characteristicId: string
  readonly slot: Slot
  readonly label: string
  readonly isActive: boolean
  readonly closed: boolean
  /** It is being read, not corrected or read again: the place that is active takes the focus. */
  readonly reading: boolean
  /** What was read there; null when nothing was. */
  readonly text: string | null
  readonly typed: string
  readonly flag: string | undefined
  /** In a word what is to be known of the reading, over its figure. */
  readonly note: string
  /** The same and more, for who points at it or hears it. */
  readonly about: string
  readonly sticksOut: boolean
}

/** What a cell shows, in plain values: at a key, those whose values stay are left as they are. */
function cellOf(bench: Bench, slot: Slot): Omit<CellProps, 'acts' | 'slot' | 'isActive'> {
  const { characteristic } = bench
  const label = slotWords(characteristic.method, slot) || characteristic.name
  const place = {
    characteristicId: characteristic.id,
    label,
    closed: bench.closed !== null,
    reading: bench.mode.kind === 'read',
  }
  const reading = bench.standingAt(slot)
  if (!reading) return { ...place, text: null, typed: '', flag: undefined, note: '', about: '', sticksOut: false }
  const { text, flag } = shownOf(bench, reading)
  const sticksOut = bench.result.faults.some(
    (fault) =>
      fault.code === 'repeatsDisagree' &&
      fault.sticksOut === slot.repeat &&
      fault.at.station === slot.station &&
      fault.at.direction === slot.direction,
  )
  const queued = bench.deliveryOf(reading.id)?.kind === 'queued'
  const noted = bench.noteAt(reading)
  const other = bench.arrivedFrom(reading.id)
  // Of several the first is shown.
  const words: [word: string, said: string][] = []
  if (sticksOut) words.push([say.sticksOut, say.sticksOut])
  if (queued) words.push(['queued', say.notSentYet])
  if (noted !== '') words.push(['noted', `noted: ${noted}`])
  if (other !== null) words.push([initials(other), `by ${other}`])
  if (reading.supersedes !== null) words.push(['corrected', 'corrected'])
  const about = words.map(([, said]) => said).join(', ')
  return { ...place, text, typed: reading.text, flag, note: words[0]?.[0] ?? '', about, sticksOut }
}

const Cell = memo(function Cell(props: CellProps) {
  const { acts, slot, label, isActive, closed, text, about, sticksOut } = props
  const ref = useRef<HTMLButtonElement>(null)
  const focus = isActive && !closed && props.reading
  useEffect(() => {
    if (focus) ref.current?.focus({ preventScroll: true })
  }, [focus])
  if (text === null)
    return (
      <button
        type="button"
        className={styles.cell}
        data-slot={slotKey(slot)}
        data-state="open"
        data-active={isActive ? '' : undefined}
        aria-label={say.notRead(label)}
        disabled={closed}
        onClick={() => acts.does({ kind: 'goTo', characteristic: props.characteristicId, slot })}
      >
        <span className={styles.cellTop} />
        <span className={`figure ${styles.cellValue}`}>·</span>
      </button>
    )
  return (
    <button
      ref={ref}
      type="button"
      className={styles.cell}
      data-slot={slotKey(slot)}
      data-state="taken"
      data-flag={props.flag}
      data-active={isActive ? '' : undefined}
      data-warn={sticksOut ? '' : undefined}
      aria-label={`${label}: ${text}${about === '' ? '' : `, ${about}`}. ${closed ? '' : say.correct}`}
      title={about || undefined}
      disabled={closed}
      onClick={() => acts.does({ kind: 'correct', slot })}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && isActive) {
          event.preventDefault()
          acts.does({ kind: 'accept' })
        }
        arrows(event, acts, slot)
      }}
    >
      <span className={styles.cellTop}>
        <span className="figure">{plain(props.typed) === plain(text) ? '' : props.typed}</span>
        <span>{props.note}</span>
      </span>
      <span className={`figure ${styles.cellValue}`}>{text}</span>
    </button>
  )
})

/** As people sign a record sheet. */
const initials = (name: string): string =>
  name
    .split(/\s+/)
    .map((part) => part.slice(0, 1))
    .join('')

/** A taken place in words: its figure, its bounds, its answer, or why there is none. */
function shownOf({ characteristic, system }: Bench, reading: Reading): { text: string; flag: string | undefined } {
  if (reading.kind === 'cannot') return { text: say.cannot, flag: 'none' }
  if (reading.kind === 'notApplicable') return { text: say.notApplicable, flag: 'none' }
  const { method, showTo } = characteristic
  const text = valueWords(reading, method, system, showTo)
  const form = formAt(method, reading)
  return { text, flag: form.kind === 'cell' || form.kind === 'element' ? String(reading.value) : undefined }
}

/** A figure without its plus and with one kind of minus: “+0.005” beside 0.005 says nothing new. */
const plain = (text: string): string => text.replace('+', '').replace('−', '-')

function arrows(event: KeyboardEvent, acts: BenchActs, from: Slot): void {
  const steps = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
  if (steps === undefined || event.altKey) return
  event.preventDefault()
  acts.does({ kind: 'moveBy', steps, from })
}

const FORM_HINTS = { answer: '+ yes  − no', cell: '2 1 0', element: '% worn' } as const

function ActiveCell({ bench, slot }: { readonly bench: Bench; readonly slot: Slot }) {
  const { characteristic } = bench
  const ref = useRef<HTMLInputElement>(null)
  const place = `${characteristic.id}/${slotKey(slot)}`
  const { does } = bench.acts
  const first = useRef(true)
  // biome-ignore lint/correctness/useExhaustiveDependencies: the field takes the focus whenever the place changes
  useEffect(() => {
    ref.current?.focus({ preventScroll: true })
    ref.current?.scrollIntoView({ block: 'nearest' })
    // What was typed before the page came to life is in the field already: a reading must never lose its first digits.
    const early = first.current ? (ref.current?.value ?? '') : ''
    first.current = false
    if (early !== '') does({ kind: 'typed', text: early })
  }, [place])
  return (
    <label className={styles.cell} data-slot={slotKey(slot)} data-state="now" data-fault={bench.fault ? '' : undefined}>
      <span className={styles.cellTop}>
        <span className="figure">{hintOf(bench, slot)}</span>
      </span>
      <span className="hidden-label">{say.readingAt(slotWords(characteristic.method, slot) || characteristic.name)}</span>
      <input
        ref={ref}
        data-reading=""
        // In the page as it comes; a place that is gone to takes the focus by the effect above, and once is enough.
        // biome-ignore lint/a11y/noAutofocus: the bench comes first; the field is what this page is for
        autoFocus={typeof window === 'undefined'}
        className={`figure ${styles.cellInput}`}
        value={bench.text}
        inputMode="text"
        enterKeyHint="next"
        autoComplete="off"
        autoCapitalize="none"
        spellCheck={false}
        maxLength={400}
        aria-invalid={bench.fault ? true : undefined}
        aria-describedby="bench-message"
        onChange={(event) => bench.acts.does({ kind: 'typed', text: event.currentTarget.value })}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault()
            bench.acts.does({ kind: 'accept' })
          } else if (event.key === 'Escape') bench.acts.does({ kind: 'cancel' })
          else if (bench.text === '') arrows(event, bench.acts, slot)
        }}
      />
    </label>
  )
}

/** What is typed as it will stand; else the unit or the signs that are expected here. */
function hintOf({ parsed, characteristic, system, record }: Bench, slot: Slot): string {
  const { method, showTo } = characteristic
  const form = formAt(method, slot)
  const quantity = quantityAt(method, slot)
  if (parsed && parsed.kind !== 'notApplicable' && form.kind === 'quantity') {
    const { extent } = figuresOf(quantity, system, stepOf(method, showTo, quantity))
    return `= ${parsed.kind === 'point' ? extent({ value: parsed.value, interval: null }) : extent({ value: null, interval: parsed })}`
  }
  if (form.kind !== 'quantity') return FORM_HINTS[form.kind]
  if (form.masterMm !== null) return say.fromMaster
  const unit = unitOf(quantity, record.machine.units)
  return form.pair ? say.upDown(unit) : form.signed ? `± ${unit}` : unit
}
