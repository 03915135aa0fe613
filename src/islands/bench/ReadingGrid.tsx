import { type KeyboardEvent, useEffect, useRef } from 'react'
import { type Method, type Slot, slotKey, slotLabel } from '../../core/method/method'
import { formatLength } from '../../core/quantity/format'
import styles from './Bench.module.css'
import type { Bench } from './useBench'

/** Column and row heads of a method's places; one row for methods without directions. */
function gridOf(method: Method): {
  readonly columns: readonly { id: string; head: string }[]
  readonly rows: readonly { id: string; head: string }[]
  slot(column: string, row: string): Slot
} {
  const place = ({ id, label }: { id: string; label: string }) => ({ id, head: `${id} · ${label}` })
  switch (method.kind) {
    case 'outsideDiameter':
    case 'boreDiameter':
      return {
        columns: method.stations.map(place),
        rows: method.directions.map(({ id, label }) => ({ id, head: `${id} ${label}` })),
        slot: (station, direction) => ({ station, direction, repeat: 1 }),
      }
    case 'plasticStrip':
      return {
        columns: method.stations.map(place),
        rows: [{ id: method.direction.id, head: 'strip width' }],
        slot: (station, direction) => ({ station, direction, repeat: 1 }),
      }
    case 'ringEndGap':
      return {
        columns: method.segments.map(({ id, label }) => ({ id, head: label })),
        rows: [{ id: '-', head: 'feeler' }],
        slot: (station, direction) => ({ station, direction, repeat: 1 }),
      }
    case 'endFloat':
      return {
        columns: Array.from({ length: method.repeatsAtLeast }, (_, index) => ({
          id: String(index + 1),
          head: `repeat ${index + 1}`,
        })),
        rows: [{ id: '-', head: 'travel' }],
        slot: (repeat) => ({ station: '-', direction: '-', repeat: Number(repeat) }),
      }
  }
}

export function ReadingGrid({ bench }: { readonly bench: Bench }) {
  const { characteristic, active } = bench
  const grid = gridOf(characteristic.method)
  const sticking = bench.result.faults.find((fault) => fault.code === 'repeatsDisagree')?.sticksOut ?? null
  return (
    <div
      className={styles.grid}
      style={{ gridTemplateColumns: `clamp(58px, 14%, 96px) repeat(${grid.columns.length}, minmax(0, 1fr))` }}
      data-narrow={grid.columns.length === 1 ? '' : undefined}
    >
      <span />
      {grid.columns.map(({ id, head }) => (
        <span key={id} className={styles.columnHead}>
          {head}
        </span>
      ))}
      {grid.rows.map((row) => (
        <div key={row.id} className={styles.row}>
          <span className={styles.rowHead}>{row.head}</span>
          {grid.columns.map((column) => {
            const slot = grid.slot(column.id, row.id)
            const isActive = slotKey(slot) === slotKey(active)
            return isActive && canType(bench, slot) ? (
              <ActiveCell key={column.id} bench={bench} slot={slot} />
            ) : (
              <Cell
                key={column.id}
                bench={bench}
                slot={slot}
                sticksOut={sticking === slot.repeat && characteristic.method.kind === 'endFloat'}
              />
            )
          })}
        </div>
      ))}
    </div>
  )
}

/** A place holds the field while it is empty or being corrected; a taken one shows its reading. */
const canType = (bench: Bench, slot: Slot): boolean =>
  bench.closed === null && (!bench.standingAt(slot) || bench.correction !== null)

function Cell({ bench, slot, sticksOut }: { readonly bench: Bench; readonly slot: Slot; readonly sticksOut: boolean }) {
  const { characteristic } = bench
  const reading = bench.standingAt(slot)
  const label = slotLabel(characteristic.method, slot)
  const isActive = slotKey(slot) === slotKey(bench.active)
  const ref = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (isActive && bench.closed === null) ref.current?.focus({ preventScroll: true })
  }, [isActive, bench.closed])
  if (!reading)
    return (
      <button
        type="button"
        className={styles.cell}
        data-state="open"
        aria-label={`${label}: not read`}
        disabled={bench.closed !== null}
        onClick={() => bench.goTo(characteristic.id, slot)}
      >
        <span className={styles.cellTop}>not read</span>
        <span className={`figure ${styles.cellValue}`}>·</span>
      </button>
    )
  const delivery = bench.deliveryOf(reading.id)
  const value = formatLength(reading.valueMm, bench.system, characteristic.showToMm)
  const queued = delivery?.kind === 'queued'
  return (
    <button
      ref={ref}
      type="button"
      className={styles.cell}
      data-state="taken"
      data-active={isActive ? '' : undefined}
      data-warn={sticksOut ? '' : undefined}
      aria-label={`${label}: ${value}${queued ? ', not sent yet' : ''}${sticksOut ? ', sticks out' : ''}. ${bench.closed === null ? 'Correct it' : ''}`}
      disabled={bench.closed !== null}
      onClick={() => bench.correct(slot)}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && isActive) {
          event.preventDefault()
          bench.accept()
        }
        arrows(event, bench, slot)
      }}
    >
      <span className={styles.cellTop}>
        <span className="figure">{reading.text === value ? '' : reading.text}</span>
        <span>{sticksOut ? 'sticks out' : queued ? 'queued' : reading.supersedes ? 'corrected' : ''}</span>
      </span>
      <span className={`figure ${styles.cellValue}`}>{value}</span>
    </button>
  )
}

function arrows(event: KeyboardEvent, bench: Bench, from: Slot): void {
  const steps = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
  if (steps === undefined || event.altKey) return
  event.preventDefault()
  bench.moveBy(steps, from)
}

function ActiveCell({ bench, slot }: { readonly bench: Bench; readonly slot: Slot }) {
  const { characteristic, parsed } = bench
  const ref = useRef<HTMLInputElement>(null)
  const place = `${characteristic.id}/${slotKey(slot)}`
  const { type } = bench
  const first = useRef(true)
  // biome-ignore lint/correctness/useExhaustiveDependencies: the field takes the focus whenever the place changes
  useEffect(() => {
    ref.current?.focus({ preventScroll: true })
    // What was typed before the page came to life is in the field already: a reading must never lose its first digits.
    const early = first.current ? (ref.current?.value ?? '') : ''
    first.current = false
    if (early !== '') type(early)
  }, [place])
  const unit = bench.record.machine.units === 'metric' ? 'mm' : 'in'
  const master = characteristic.method.kind === 'boreDiameter' ? characteristic.method.masterMm : null
  const hint = parsed
    ? `= ${formatLength(parsed.valueMm, bench.system, characteristic.showToMm)}`
    : master === null
      ? unit
      : '± from master'
  return (
    <label className={styles.cell} data-state="now" data-fault={bench.fault ? '' : undefined}>
      <span className={styles.cellTop}>
        <span className="figure">{hint}</span>
      </span>
      <span className="hidden-label">Reading at {slotLabel(characteristic.method, slot)}</span>
      <input
        ref={ref}
        data-reading=""
        // biome-ignore lint/a11y/noAutofocus: the bench comes first; the field is what this page is for
        autoFocus
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
        onChange={(event) => bench.type(event.currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault()
            bench.accept()
          } else if (event.key === 'Escape') bench.cancel()
          else if (bench.text === '') arrows(event, bench, slot)
        }}
      />
    </label>
  )
}
