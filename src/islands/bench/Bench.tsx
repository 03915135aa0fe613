import { useEffect, useMemo, useState } from 'react'
import { CAUTION } from '../../contract/words'
import { layoutOf, type Slot } from '../../core/method/layout'
import { methodName } from '../../core/method/method'
import { Key } from '../../ui/Button'
import { MethodSketch } from '../../ui/methodSketch/MethodSketch'
import styles from './Bench.module.css'
import { ConditionsDialog } from './ConditionsDialog'
import { type Command, useCommands } from './commands'
import { GaugeInHand } from './GaugeInHand'
import { GoTo } from './GoTo'
import { Help } from './Help'
import { Messages } from './Messages'
import { Rail } from './Rail'
import { ReadingGrid } from './ReadingGrid'
import { ResultPane } from './ResultPane'
import { takenKeys, valuesOf } from './sheet'
import { type BenchProps, type Bench as BenchState, useBench } from './useBench'
import { WhatNext } from './WhatNext'

type Open = 'nothing' | 'goTo' | 'help' | 'conditions' | 'next'

/** The bench: measure this part now. */
export function Bench(props: BenchProps) {
  const bench = useBench(props)
  const { characteristic } = bench
  const [open, setOpen] = useState<Open>('nothing')
  // A dialog that closes leaves the focus nowhere: the next figure must land in the field.
  useEffect(() => {
    if (open === 'nothing')
      document.querySelector<HTMLElement>('input[data-reading], button[data-active]')?.focus({ preventScroll: true })
  }, [open])
  const commands: readonly Command[] = [
    { key: 'g', label: 'go to …', run: () => setOpen('goTo') },
    { key: 'n', label: 'next part', run: () => bench.step(1) },
    { key: 'p', label: 'part before', run: () => bench.step(-1) },
    { key: 'c', label: 'correct last', run: bench.correctLast },
    { key: 'z', label: 'undo', run: bench.undo },
    { key: 'x', label: 'cannot be measured', run: bench.markCannot },
    { key: 't', label: 'read the set again', run: bench.retake },
    ...(layoutOf(characteristic.method).moreRepeats ? [{ key: 'r', label: 'another repeat', run: bench.another }] : []),
    { key: 'e', label: 'zero, temperature', run: () => setOpen('conditions') },
    { key: 'w', label: 'what next', run: () => setOpen('next') },
    { key: 'u', label: 'mm / in', run: bench.toggleUnits },
    { key: '?', label: 'help', run: () => setOpen('help') },
  ]
  const answers: readonly Command[] =
    bench.question === null
      ? []
      : [
          { key: 'y', label: 'take the suggestion', run: bench.takeSuggestion, answers: true },
          { key: 'k', label: 'keep what was typed', run: bench.keepTyped, answers: true },
        ]
  const letters = useCommands([...answers, ...commands], bench.text)
  const complete = bench.slots.every((slot) => bench.standingAt(slot))
  return (
    <div className={styles.bench}>
      <Rail bench={bench} />
      <section className={styles.work} aria-labelledby="characteristic" aria-busy={!bench.outbox.loaded}>
        <div className={styles.head}>
          <div>
            <h1 id="characteristic">{characteristic.name}</h1>
            <p className={styles.how}>
              {methodName[characteristic.method.kind]} · as found. {characteristic.how}
              {characteristic.method.kind === 'boreDiameter' && characteristic.method.masterMm !== null && (
                <>
                  ; master <span className="figure">{characteristic.method.masterMm.toFixed(3)} mm</span>
                </>
              )}
              .
            </p>
          </div>
          <GaugeInHand bench={bench} today={props.today} />
        </div>
        <Sketch bench={bench} active={complete && bench.mode.kind === 'read' ? null : bench.active} />
        <p className={styles.pose}>
          {characteristic.pose}. <span className={styles.trap}>{characteristic.trap}.</span>
        </p>
        <ReadingGrid bench={bench} />
        <Messages bench={bench} />
      </section>
      <ResultPane bench={bench} />
      <p className={styles.keys}>
        <span>
          <Key>Enter</Key> accept, next
        </span>
        {commands.map(({ key, label, run }) => (
          <button type="button" key={key} className={styles.keyButton} onClick={run}>
            <Key>{key.toUpperCase()}</Key> {label}
          </button>
        ))}
        <span className={styles.caution}>{CAUTION}</span>
      </p>
      {open === 'goTo' && <GoTo bench={bench} onClose={() => setOpen('nothing')} />}
      {open === 'conditions' && <ConditionsDialog bench={bench} onClose={() => setOpen('nothing')} />}
      {open === 'next' && <WhatNext bench={bench} onClose={() => setOpen('nothing')} />}
      {open === 'help' && <Help commands={commands} letters={letters} onClose={() => setOpen('nothing')} />}
    </div>
  )
}

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
      />
    )
  }, [characteristic, standing, active, record.machine.units])
}
