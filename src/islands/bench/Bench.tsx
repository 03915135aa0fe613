import { memo, Suspense, useCallback, useEffect, useMemo, useState } from 'react'
import { CAUTION } from '../../contract/words'
import { formAt, layoutOf, type Slot } from '../../core/method/layout'
import { formatLength, unitOf } from '../../core/quantity/format'
import { lettersOf } from '../../core/quantity/reading'
import { methodName } from '../../core/words/methods'
import { say } from '../../labels/bench'
import { Key } from '../../ui/Button'
import { MethodSketch } from '../../ui/methodSketch/MethodSketch'
import { Notices } from '../notes/Notices'
import { recordWith } from '../notes/recordWith'
import { useEntries } from '../notes/useEntries'
import { receiving } from '../pageData/pageData'
import styles from './Bench.module.css'
import type { BenchProps, Bench as BenchState } from './benchState'
import { type Command, useCommands } from './commands'
import { GoTo } from './dialogs/GoTo'
import { ConditionsDialog, fetchDialogs, Help, NoteDialog, useKeysWaitFor, WhatNext } from './dialogs/later'
import { EmptyBench, TypedNote, TypeFromManual } from './dialogs/TypedLimits'
import { GaugeInHand } from './gauge/GaugeInHand'
import { Rail } from './place/Rail'
import { StageChoice } from './place/StageChoice'
import { ResultPane } from './result/ResultPane'
import { focusReading } from './typing/focusReading'
import { Messages } from './typing/Messages'
import { ReadingGrid } from './typing/ReadingGrid'
import { takenKeys, valuesOf } from './typing/sheet'
import { useTypeAnywhere } from './typing/useTypeAnywhere'
import { useBench } from './useBench'

type Open = 'nothing' | 'goTo' | 'help' | 'conditions' | 'next' | 'type' | 'note'

/** The bench: measure this part now; a machine that is in no book begins with the first thing typed from its manual. */
export function Bench({ view, ...props }: Omit<BenchProps, 'notes'>) {
  const notes = useEntries(view, props.person, 'alone')
  const { entries } = notes
  const now = useMemo(() => ({ ...view, record: recordWith(view.record, entries) }), [view, entries])
  return now.record.book.characteristics.length === 0 ? (
    <EmptyBench view={now} notes={notes} />
  ) : (
    <BenchSheet view={now} notes={notes} {...props} />
  )
}

function BenchSheet(props: BenchProps) {
  const bench = useBench(props)
  const { characteristic } = bench
  useEffect(fetchDialogs, [])
  const [open, setOpen] = useState<Open>('nothing')
  // A dialog that closes late closes itself, and not the one that a key has opened meanwhile.
  const close = useCallback((which: Open): void => setOpen((now) => (now === which ? 'nothing' : now)), [])
  const takeBack = useCallback(() => setOpen('nothing'), [])
  useKeysWaitFor(open !== 'nothing', takeBack)
  // A dialog that closes leaves the focus nowhere: the next figure must land in the field.
  useEffect(() => {
    if (open === 'nothing') focusReading()
  }, [open])
  const { acts } = bench
  const { moreRepeats } = layoutOf(characteristic.method)
  const commands = useMemo(
    (): readonly Command[] => [
      { key: 'g', label: say.go, run: () => setOpen('goTo') },
      { key: 'n', label: say.nextPart, run: () => acts.does({ kind: 'step', parts: 1 }) },
      { key: 'p', label: say.partBefore, run: () => acts.does({ kind: 'step', parts: -1 }) },
      { key: 'c', label: say.correctLast, run: () => acts.does({ kind: 'correctLast' }) },
      { key: 'z', label: say.undo, run: () => acts.does({ kind: 'undo' }) },
      { key: 'x', label: say.cannotMeasured, run: () => acts.does({ kind: 'markCannot' }) },
      { key: 't', label: say.readSetAgain, run: () => acts.does({ kind: 'retake' }) },
      ...(moreRepeats ? [{ key: 'r', label: say.anotherRepeat, run: () => acts.does({ kind: 'another' }) }] : []),
      { key: 'e', label: say.zeroTemperature, run: () => setOpen('conditions') },
      { key: 'w', label: say.whatNext, run: () => setOpen('next') },
      { key: 's', label: say.nextStage, run: () => acts.does({ kind: 'nextStage' }) },
      { key: 'm', label: say.noteReading, run: () => setOpen('note') },
      { key: 'a', label: say.addFromManual, run: () => setOpen('type') },
      { key: 'u', label: say.otherUnits, run: acts.toggleUnits },
      { key: '?', label: say.help, run: () => setOpen('help') },
    ],
    [acts, moreRepeats],
  )
  const answers: readonly Command[] =
    bench.question === null
      ? []
      : [
          { key: 'y', label: say.takeSuggestion, run: () => acts.does({ kind: 'takeSuggestion' }), answers: true },
          { key: 'k', label: say.keepWhatTyped, run: () => acts.does({ kind: 'keepTyped' }), answers: true },
        ]
  useTypeAnywhere()
  const letters = useCommands([...answers, ...commands], bench.text, lettersOf(formAt(characteristic.method, bench.active).kind))
  const figureOfMaster = (mm: number): string => formatLength(mm, bench.system, characteristic.showTo)
  const complete = bench.slots.every((slot) => bench.standingAt(slot))
  return (
    <div className={styles.bench}>
      <Rail bench={bench} />
      <section className={styles.work} aria-labelledby="characteristic" aria-busy={!bench.readings.loaded}>
        <Notices noted={{ ...props.notes, record: bench.record, state: bench.noted }} />
        <div className={styles.head}>
          <div>
            <h1 id="characteristic">{characteristic.name}</h1>
            <p className={styles.how}>
              {methodName[characteristic.method.kind]}
              {characteristic.how === '' ? '' : `. ${withPoint(characteristic.how).slice(0, -1)}`}
              {characteristic.method.kind === 'boreDiameter' && characteristic.method.masterMm !== null && (
                <>
                  {say.master}{' '}
                  <span className="figure">
                    {figureOfMaster(characteristic.method.masterMm)} {unitOf('length', bench.system)}
                  </span>
                </>
              )}
              .
            </p>
            <StageChoice bench={bench} />
          </div>
          <GaugeInHand bench={bench} today={props.today} />
        </div>
        <div className={styles.sketch} data-method={characteristic.method.kind}>
          <Sketch bench={bench} active={complete && bench.mode.kind === 'read' ? null : bench.active} />
        </div>
        {(characteristic.pose !== '' || characteristic.trap !== '') && (
          <p className={styles.pose}>
            {characteristic.pose !== '' && `${withPoint(characteristic.pose)} `}
            {characteristic.trap !== '' && <span className={styles.trap}>{withPoint(characteristic.trap)}</span>}
          </p>
        )}
        <TypedNote characteristic={characteristic} record={bench.record} />
        <ReadingGrid bench={bench} />
        <Messages bench={bench} />
      </section>
      <ResultPane bench={bench} />
      <Keys commands={commands} />
      {open === 'goTo' && <GoTo bench={bench} onClose={() => close('goTo')} />}
      <Suspense>
        {open === 'conditions' && <ConditionsDialog bench={bench} onClose={() => close('conditions')} />}
        {open === 'next' && <WhatNext bench={bench} onClose={() => close('next')} />}
        {open === 'note' && <NoteDialog bench={bench} onClose={() => close('note')} />}
        {open === 'type' && (
          <TypeFromManual
            view={props.view}
            notes={props.notes}
            onDone={(id) => {
              close('type')
              bench.acts.does({ kind: 'goWhenThere', characteristic: id })
            }}
            onClose={() => close('type')}
          />
        )}
        {open === 'help' && <Help commands={commands} letters={letters} onClose={() => close('help')} />}
      </Suspense>
    </div>
  )
}

/** What is pressed most: these stand in the one line of the foot; every other key is behind “?”. */
const IN_THE_FOOT: ReadonlySet<string> = new Set(['y', 'k', 'g', 'n', 'c', 'x', 'w', '?'])

/** The foot of the bench: the keys that matter now, to press or to tap, in one line. */
const Keys = memo(function Keys({ commands }: { readonly commands: readonly Command[] }) {
  return (
    <p className={styles.keys}>
      <span>
        <Key>{say.enter}</Key> {say.acceptNext}
      </span>
      {commands
        .filter(({ key }) => IN_THE_FOOT.has(key))
        .map(({ key, label, run }) => (
          <button type="button" key={key} data-key={key} className={styles.keyButton} onClick={run}>
            <Key>{key.toUpperCase()}</Key> {label}
          </button>
        ))}
      <span className={styles.caution}>{CAUTION}</span>
    </p>
  )
})

/** The sketch changes with the place and with what is accepted, not with what is typed. */
function Sketch({ bench, active }: { readonly bench: BenchState; readonly active: Slot | null }) {
  const { characteristic, standing, record } = bench
  return useMemo(() => {
    const taken = standing.filter(({ kind }) => kind !== 'withdrawn')
    return (
      <MethodSketch
        method={characteristic.method}
        active={active}
        taken={takenKeys(taken)}
        system={record.machine.units}
        values={valuesOf(taken)}
        nameOf={(id) => record.book.characteristics.find((other) => other.id === id)?.name ?? id}
      />
    )
  }, [characteristic, standing, active, record.machine.units, record.book])
}

/** A line of a book as a sentence: some books end it with a point, others leave it. */
const withPoint = (text: string): string => `${text.replace(/[.\s]+$/, '')}.`

/** As its page shows it. */
export const BenchIsland = receiving(Bench)
