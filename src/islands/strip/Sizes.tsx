import { identityOf } from '../../core/notes/identity'
import type { IdentitySizes } from '../../core/notes/shapes'
import type { NotedPosition } from '../../core/notes/state'
import { identityWords } from '../../core/words/identity'
import { say } from '../../labels/strip'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Fault, TextField } from '../../ui/Field'
import type { JobNotes } from '../notes/useNotes'
import { useSubjectForm } from '../notes/useSubjectForm'
import styles from './StripMap.module.css'

/** A gasket or shim is measured as it comes out: it may have set a preload. */
export function Thickness({ noted, position }: { readonly noted: JobNotes; readonly position: NotedPosition }) {
  const form = useSubjectForm(noted, `thickness:${position.id}`, { text: position.thickness?.text ?? '' })
  return (
    <form
      data-asked=""
      className={styles.block}
      onSubmit={(event) => {
        event.preventDefault()
        const text = form.value.text.trim()
        if (text === '') return form.say([{ at: 'text', says: say.typeThickness }])
        void form.write({ kind: 'thicknessTaken', position: position.id, text })
      }}
    >
      <h3>{say.thickness}</h3>
      {position.thickness && (
        <p className={styles.quiet}>
          ✓ <b className="figure">{position.thickness.text}</b>, {position.thickness.by}
        </p>
      )}
      <TextField
        label={say.measuredThickness}
        hint={say.asGaugeShows(noted.record.machine.units === 'metric' ? 'mm' : 'inches')}
        maxLength={60}
        readOnly={noted.closed !== null}
        {...form.field('text')}
      />
      <Fault text={form.fault} />
      {noted.closed === null && <Button type="submit">{say.keepThickness}</Button>}
    </form>
  )
}

type AskedKind = IdentitySizes['kind']
type Texts = readonly [string, string, string]

const heading: Record<AskedKind, string> = {
  bearing: say.whichBearing,
  seal: say.whichSeal,
  thread: say.whichThread,
}
const labels: Record<AskedKind, Texts> = {
  bearing: [say.bore, say.outside, say.width],
  seal: [say.shaft, say.outside, say.width],
  thread: [say.outside, say.pitch, ''],
}

/** Sizes taken from the part itself tell what to order: possible designations, or the nearest standard size. */
export function Identification({
  noted,
  position,
  kind,
}: {
  readonly noted: JobNotes
  readonly position: NotedPosition
  readonly kind: AskedKind
}) {
  const before = position.identity?.sizes
  const [first, second, third] = before ? textsOf(before) : ['', '', '']
  const form = useSubjectForm<{ texts: Texts; marking: string; flank: '60' | '55' | 'unknown' }>(
    noted,
    `identity:${position.id}`,
    {
      texts: [first, second, third],
      marking: before?.kind === 'bearing' ? (before.marking ?? '') : '',
      flank: before?.kind === 'thread' && before.flank ? (String(before.flank) as '60' | '55') : 'unknown',
    },
  )
  const { texts, flank, marking } = form.value
  const sizes = sizesOf(kind, texts, flank, marking.trim())
  const { units } = noted.record.machine
  const identity = identityOf(sizes, units)
  const words = identity && identityWords(identity, units)
  const used = labels[kind].filter((label) => label !== '')
  return (
    <form
      data-asked=""
      className={styles.block}
      onSubmit={(event) => {
        event.preventDefault()
        const missing = used.flatMap((label, index) =>
          texts[index]?.trim() === '' ? [{ at: `texts.${index}`, says: say.type(label.toLowerCase()) }] : [],
        )
        if (missing.length > 0) return form.say(missing)
        void form.write({ kind: 'identified', position: position.id, sizes })
      }}
    >
      <h3>{heading[kind]}</h3>
      <div className={styles.two}>
        {used.map((label, index) => (
          <TextField
            key={label}
            label={label}
            placeholder={kind === 'thread' && index === 1 ? (noted.record.machine.units === 'metric' ? '2.5' : '10 tpi') : ''}
            maxLength={60}
            readOnly={noted.closed !== null}
            {...form.field(`texts.${index as 0 | 1 | 2}`)}
          />
        ))}
      </div>
      {kind === 'bearing' && (
        <TextField
          label={say.marking}
          maxLength={80}
          autoComplete="off"
          readOnly={noted.closed !== null}
          {...form.field('marking')}
        />
      )}
      {kind === 'thread' && (
        <Choice
          legend={say.flankAngle}
          options={[
            { value: '60', label: '60°' },
            { value: '55', label: '55°' },
            { value: 'unknown', label: say.notGauged },
          ]}
          value={flank}
          disabled={noted.closed !== null}
          onChange={(chosen) => form.set({ flank: chosen })}
        />
      )}
      {words && (
        <ul className={styles.identity} data-matches={words.matches || undefined} aria-live="polite">
          {words.lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      {position.identity && <p className={styles.quiet}>{say.measured(position.identity.by)}</p>}
      <Fault text={form.fault} />
      {noted.closed === null && <Button type="submit">{say.keepSizes}</Button>}
    </form>
  )
}

function textsOf(sizes: IdentitySizes): Texts {
  switch (sizes.kind) {
    case 'bearing':
      return [sizes.bore, sizes.outside, sizes.width]
    case 'seal':
      return [sizes.shaft, sizes.outside, sizes.width]
    case 'thread':
      return [sizes.diameter, sizes.pitch, '']
  }
}

function sizesOf(kind: AskedKind, [first, second, third]: Texts, flank: '60' | '55' | 'unknown', marking: string): IdentitySizes {
  const [a, b, c] = [first.trim(), second.trim(), third.trim()]
  switch (kind) {
    case 'bearing':
      return { kind, bore: a, outside: b, width: c, ...(marking === '' ? {} : { marking }) }
    case 'seal':
      return { kind, shaft: a, outside: b, width: c }
    case 'thread':
      return { kind, diameter: a, pitch: b, flank: flank === 'unknown' ? null : flank === '60' ? 60 : 55 }
  }
}
