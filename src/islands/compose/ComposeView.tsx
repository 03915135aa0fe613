import { useEffect, useRef, useState } from 'react'
import type { DraftView } from '../../contract/answers'
import { assemblies } from '../../core/kit/assemblies'
import { gateMeasures } from '../../core/kit/gateLevel'
import { say } from '../../labels/compose'
import { Button, Key } from '../../ui/Button'
import { Fault } from '../../ui/Field'
import { receiving } from '../pageData/pageData'
import { AssemblyCards } from './AssemblyCards'
import { AssemblyForm } from './AssemblyForm'
import styles from './Compose.module.css'
import { foundBy } from './found'
import { GateDialog } from './GateDialog'
import { limitsWanted } from './limitsWanted'
import { PartTree } from './PartTree'
import { useDraft } from './useDraft'

/** A machine put together from assemblies: what is on it, the drawings to choose from, and the questions that shape one. */
function ComposeView({ view, mayChange }: { readonly view: DraftView; readonly mayChange: boolean }) {
  const draft = useDraft(view)
  const { book, machine, revision, earlier, openJob } = draft.view
  const [words, setWords] = useState('')
  const [chosen, setChosen] = useState(assemblies[0]?.id ?? '')
  const [position, setPosition] = useState<string | null>(null)
  const [fresh, setFresh] = useState<ReadonlySet<string>>(new Set())
  const [gate, setGate] = useState(false)
  const find = useRef<HTMLInputElement>(null)
  const pane = useRef<HTMLDivElement>(null)
  const assembly = assemblies.find(({ id }) => id === chosen)
  const allowed = mayChange && !draft.view.issued
  // What sits in it is chosen in the tree; a part holds no assembly.
  const holder = book.positions.find(({ id, part }) => id === position && part === null)?.id ?? null
  const before = revision === null ? undefined : earlier[earlier.indexOf(revision) - 1]

  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (document.querySelector('dialog[open]')) return
      if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
        pane.current?.querySelector<HTMLFormElement>('form[data-compose]')?.requestSubmit()
        event.preventDefault()
      } else if (event.key === 'Escape' && document.activeElement === find.current) setWords('')
      else if (event.key === '/' && !/^(INPUT|TEXTAREA|SELECT)$/.test((event.target as HTMLElement).tagName)) {
        find.current?.focus()
        event.preventDefault()
      }
    }
    addEventListener('keydown', onKey)
    return () => removeEventListener('keydown', onKey)
  })

  /** What is typed chooses the first that fits; arrows in the field go on from there. */
  const typed = (text: string): void => {
    setWords(text)
    const [first] = foundBy(text).found
    if (first && text.trim() !== '') setChosen(first.id)
  }
  const step = (by: 1 | -1): void => {
    const { found, others } = foundBy(words)
    const all = [...found, ...others]
    const at = all.findIndex(({ id }) => id === chosen)
    setChosen(all[Math.min(all.length - 1, Math.max(0, at + by))]?.id ?? chosen)
  }

  return (
    <div className={styles.page} ref={pane}>
      <section className={styles.on} aria-labelledby="machine-name">
        <h1 id="machine-name">{machine.name}</h1>
        <p className={styles.sum}>{say.countOf(book.parts.length, limitsWanted(book))}</p>
        <PartTree draft={draft} chosen={position} fresh={fresh} mayChange={allowed} onChoose={setPosition} />
        <Fault text={draft.faultOf('back')} />
        <div className={styles.what}>
          {allowed && before !== undefined && (
            <Button disabled={draft.busy} onClick={() => void draft.make({ kind: 'back', revision: before })}>
              {say.undo}
            </Button>
          )}
          {allowed && book.characteristics.length > 0 && (
            <Button onClick={() => setGate(true)}>{say.gate(gateMeasures(book).length)}</Button>
          )}
          {revision !== null && (
            <a className={styles.link} href={`/machines/${machine.id}/limits`}>
              {say.limits}
            </a>
          )}
          {openJob ? (
            <a className={styles.link} href={`/jobs/${openJob.id}`}>
              {say.toJob}
            </a>
          ) : (
            revision !== null && (
              <a className={styles.link} href={`/machines/${machine.id}/open`}>
                {say.openJob}
              </a>
            )
          )}
        </div>
      </section>
      {allowed ? (
        <>
          <section className={styles.kit} aria-label={say.all}>
            <input
              ref={find}
              type="search"
              className={styles.find}
              aria-label={say.find}
              placeholder={say.find}
              value={words}
              maxLength={60}
              // biome-ignore lint/a11y/noAutofocus: whoever composes begins by typing what they have before them
              autoFocus
              onChange={({ target }) => typed(target.value)}
              onKeyDown={(event) => {
                const by = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key] as 1 | -1 | undefined
                if (by === undefined || (words !== '' && /Left|Right/.test(event.key))) return
                event.preventDefault()
                step(by)
              }}
            />
            <AssemblyCards words={words} chosen={chosen} onChoose={({ id }) => setChosen(id)} />
          </section>
          <section className={styles.asked} aria-labelledby="assembly-name">
            {assembly && (
              <AssemblyForm
                key={assembly.id}
                assembly={assembly}
                draft={draft}
                into={holder}
                onInto={setPosition}
                onAdded={(names) => {
                  setFresh(new Set(names))
                  setWords('')
                  find.current?.focus()
                }}
              />
            )}
          </section>
        </>
      ) : (
        <section className={styles.kit} aria-label={say.compose}>
          <p className={styles.empty}>{draft.view.issued ? say.issued : say.mayLook}</p>
        </section>
      )}
      {gate && (
        <GateDialog
          draft={draft}
          onClose={() => {
            draft.forget()
            setGate(false)
          }}
        />
      )}
      <p className="hidden-label" role="status">
        {[...fresh].map((name) => say.added(name)).join(' ')}
      </p>
      <p className={styles.foot}>
        {allowed && (
          <>
            <span>
              <Key>↑</Key> <Key>↓</Key> {say.move}
            </span>
            <span>
              <Key>{say.tab}</Key> {say.toQuestions}
            </span>
            <span>
              <Key>{say.ctrlEnter}</Key> {say.addKey}
            </span>
          </>
        )}
        <span className={styles.caution}>{say.noNumbers}</span>
      </p>
    </div>
  )
}

/** As its page shows it. */
export const ComposeIsland = receiving(ComposeView)
