import { useMemo, useState } from 'react'
import type { LimitBook } from '../../core/book/bookSchema'
import type { Assembly } from '../../core/kit/assembly'
import { compose } from '../../core/kit/compose'
import type { KitAnswers } from '../../core/kit/shape'
import { composeFaultWords, say } from '../../labels/compose'
import { AssemblySketch } from '../../ui/assemblySketch/AssemblySketch'
import { Button, Key } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Fault, SelectField, TextArea, TextField } from '../../ui/Field'
import styles from './Compose.module.css'
import { freeNames } from './found'
import { limitsWanted } from './limitsWanted'
import type { Draft } from './useDraft'

const COUNTS = ['1', '2', '3', '4', '6'] as const

interface FormProps {
  readonly assembly: Assembly
  readonly draft: Draft
  readonly into: string | null
  readonly onInto: (position: string | null) => void
  readonly onAdded: (names: readonly string[]) => void
}

/** The questions that shape an assembly, where it sits, how it is called, and what comes with it. */
export function AssemblyForm({ assembly, draft, into, onInto, onAdded }: FormProps) {
  const { book, machine } = draft.view
  const [answers, setAnswers] = useState<KitAnswers>({})
  const [typedNames, setTypedNames] = useState<string | null>(null)
  const [count, setCount] = useState('1')
  const taken = useMemo(() => new Set(book.positions.map(({ name }) => name.toLowerCase())), [book])
  const namesText = typedNames ?? freeNames(assembly.one, Number(count), taken).join('\n')
  const names = namesText
    .split('\n')
    .map((name) => name.trim())
    .filter((name) => name !== '')
  const made = compose(book, { assembly: assembly.id, names, into, answers }, machine.units)
  const add = async (): Promise<void> => {
    if (!made.ok || draft.busy) return
    if (await draft.make({ kind: 'add', assembly: assembly.id, names, into, answers })) {
      setTypedNames(null)
      onAdded(names)
    }
  }
  return (
    <form
      className={styles.form}
      data-compose
      onSubmit={(event) => {
        event.preventDefault()
        void add()
      }}
    >
      <div className={styles.title}>
        <h2 id="assembly-name">{assembly.name}</h2>
        <AssemblySketch assembly={assembly.id} />
      </div>
      <Choice
        legend={say.howMany}
        options={COUNTS.map((value) => ({ value, label: value }))}
        value={
          (COUNTS as readonly string[]).includes(String(names.length)) ? (String(names.length) as (typeof COUNTS)[number]) : null
        }
        onChange={(value) => {
          setCount(value)
          setTypedNames(null)
        }}
      />
      {assembly.questions.map(({ id, text, answers: options }) =>
        typeof options === 'string' ? (
          <TextField
            key={id}
            label={text}
            hint={say.leaveEmpty}
            maxLength={60}
            value={answers[id] ?? ''}
            error={!made.ok && 'question' in made.fault && made.fault.question === id ? composeFaultWords(made.fault) : null}
            onChange={({ target }) => setAnswers({ ...answers, [id]: target.value })}
          />
        ) : (
          <Choice
            key={id}
            legend={text}
            options={inOrder(options).map((value) => ({ value, label: value }))}
            value={answers[id] ?? options[0] ?? null}
            onChange={(value) => setAnswers({ ...answers, [id]: value })}
          />
        ),
      )}
      <SelectField
        label={say.into}
        options={[
          { value: '', label: say.theMachine },
          ...book.positions.filter(({ part }) => part === null).map(({ id, name }) => ({ value: id, label: name })),
        ]}
        value={into ?? ''}
        onChange={({ target }) => onInto(target.value === '' ? null : target.value)}
      />
      <TextArea
        label={say.names}
        hint={say.namesHint}
        rows={Math.min(8, Math.max(2, names.length + 1))}
        value={namesText}
        error={!made.ok && !('question' in made.fault) ? composeFaultWords(made.fault) : null}
        onChange={({ target }) => setTypedNames(target.value)}
      />
      <div className={styles.last}>
        {made.ok && <Comes before={book} after={made.value} count={names.length} />}
        <Fault text={draft.faultOf('add')} />
        <Button type="submit" kind="primary" disabled={!made.ok || draft.busy}>
          <Key>{say.ctrlEnter}</Key> {say.add(names, assembly.one)}
        </Button>
      </div>
    </form>
  )
}

function Comes({ before, after, count }: { readonly before: LimitBook; readonly after: LimitBook; readonly count: number }) {
  const more = (list: 'positions' | 'characteristics' | 'fits' | 'procedure'): number => after[list].length - before[list].length
  const figures: readonly (readonly [number, string])[] = [
    [more('positions'), say.positions],
    [more('characteristics'), say.sheets],
    [more('fits'), say.mates],
    [more('procedure'), say.steps],
    [limitsWanted(after) - limitsWanted(before), say.limitsAsked],
  ]
  return (
    <section aria-label={say.comes(count)}>
      <ul className={styles.comes}>
        {figures.map(([figure, what]) => (
          <li key={what}>
            <b className="figure">{figure}</b> {what}
          </li>
        ))}
      </ul>
    </section>
  )
}

/** Figures as they are counted; words as they are likeliest. */
const inOrder = (answers: readonly string[]): readonly string[] =>
  answers.every((text) => /^\d+$/.test(text)) ? answers.toSorted((a, b) => Number(a) - Number(b)) : answers
