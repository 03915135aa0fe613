import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { CAUTION } from '../../contract/words'
import type { NotedPosition } from '../../core/notes/state'
import { isSettled } from '../../core/notes/steps'
import { stillInside, stripFaults } from '../../core/notes/stripFaults'
import { stripFaultWords } from '../../core/words/strip'
import { say } from '../../labels/strip'
import { Button, ButtonLink, Key } from '../../ui/Button'
import { Fault } from '../../ui/Field'
import { TabPanel, Tabs } from '../../ui/Tabs'
import { ComplaintNote } from '../notes/ComplaintNote'
import { Notices } from '../notes/Notices'
import { type NotesProps, useNotes } from '../notes/useNotes'
import { receiving } from '../pageData/pageData'
import { AddStep } from '../steps/AddStep'
import stepStyles from '../steps/PhaseSteps.module.css'
import { StepCard } from '../steps/StepCard'
import { AddPosition } from './AddPosition'
import { PositionPanel } from './PositionPanel'
import styles from './StripMap.module.css'
import { positionOfRow, StripTree } from './StripTree'
import { foldedAtFirst, nextTrayName, treeRows } from './stripModel'
import { Temporaries } from './Temporaries'
import { Trays } from './Trays'
import { useDragging } from './useDragging'

export interface StripMapProps extends NotesProps {
  /** Part to open, from a label's code. */
  readonly opened: string | null
}

declare global {
  interface Window {
    /** From the page's own script (EarlyChoice.astro): the row chosen before the map was alive; from here on the map answers. */
    takeEarlyChoice?: () => string | null
  }
}

type Tab = 'map' | 'steps'

/** What came from where, facing which way, marked how, kept with what. */
function StripMap({ opened, ...props }: StripMapProps) {
  const noted = useNotes(props)
  const { state, record } = noted
  const [tab, setTab] = useState<Tab>('map')
  const [selected, setSelected] = useState<string | null>(opened)
  const [folded, setFolded] = useState<ReadonlySet<string>>(() => foldedAtFirst(state, opened))
  const [wanted, setWanted] = useState('')
  const [chosenTray, setChosenTray] = useState<string | null>(null)
  const [newTray, setNewTray] = useState<string | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const tagForm = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const row = window.takeEarlyChoice?.()
    if (row) setSelected(positionOfRow(row))
  }, [])

  const faults = useMemo(() => stripFaults(record.book, state, noted.steps), [record.book, state, noted.steps])
  const rows = useMemo(() => treeRows(state, faults, folded, wanted), [state, faults, folded, wanted])
  const byId = useMemo(() => new Map(state.positions.map((position) => [position.id, position])), [state])
  const trays = useMemo(() => {
    const filled = state.trays.map(({ name, positions }) => ({
      name,
      positions: positions.flatMap((id): readonly NotedPosition[] => {
        const position = byId.get(id)
        return position ? [position] : []
      }),
    }))
    const extra = newTray !== null && !filled.some(({ name }) => name === newTray) ? [{ name: newTray, positions: [] }] : []
    return filled.length + extra.length === 0 ? [{ name: say.tray1, positions: [] }] : [...filled, ...extra]
  }, [state.trays, byId, newTray])
  const current = trays.find(({ name }) => name === chosenTray)?.name ?? trays.at(-1)?.name ?? say.tray1
  const mayMove = noted.closed === null
  const stripSteps = noted.steps.filter(({ phase }) => phase === 'strip')
  const stepsDone = stripSteps.filter(isSettled).length
  const isOut = state.positions.filter(({ tray }) => tray !== null).length

  const { write } = noted
  const layOut = useCallback(
    (position: string, tray: string, after: string | null) => {
      setFault(null)
      void write({ kind: 'laidOut', position, tray, after }).then((fate) => {
        if (fate.kind === 'refused') setFault(fate.message)
      })
    },
    [write],
  )
  const latest = useRef({ byId, trays, current, rows })
  latest.current = { byId, trays, current, rows }
  const layOutHere = useCallback(
    (id: string) => {
      const now = latest.current
      if (now.byId.get(id)?.tray !== null || !mayMove) return
      const last = now.trays.find(({ name }) => name === now.current)?.positions.at(-1)?.id ?? null
      layOut(id, now.current, last)
      // What only this moment can tell is asked for at once: the thickness of a gasket, the sizes of a bearing.
      const asks = now.byId.get(id)?.book?.asks ?? 'nothing'
      if (asks !== 'nothing') tagForm.current?.querySelector<HTMLInputElement>('[data-asked] input')?.focus()
    },
    [layOut, mayMove],
  )
  const putBack = useCallback(
    (id: string) => {
      if (latest.current.byId.get(id)?.tray === null || !mayMove) return
      setFault(null)
      void write({ kind: 'putBack', position: id }).then((fate) => {
        if (fate.kind === 'refused') setFault(fate.message)
      })
    },
    [write, mayMove],
  )
  const shift = useCallback(
    (id: string, by: 1 | -1) => {
      const tray = latest.current.trays.find(({ positions }) => positions.some((position) => position.id === id))
      if (!tray || !mayMove) return
      const at = tray.positions.findIndex((position) => position.id === id)
      const target = at + by
      if (target < 0 || target >= tray.positions.length) return
      layOut(id, tray.name, tray.positions[by === 1 ? target : target - 1]?.id ?? null)
    },
    [layOut, mayMove],
  )
  const toggle = useCallback((id: string) => {
    setFolded((before) => {
      const next = new Set(before)
      if (!next.delete(id)) next.add(id)
      return next
    })
  }, [])

  const { dragging, onPointerDown, carried } = useDragging(mayMove, (id, target) => {
    setSelected(id)
    if (target?.kind === 'machine') putBack(id)
    if (target?.kind !== 'tray') return
    const lying = trays.find(({ name }) => name === target.tray)?.positions.map((part) => part.id) ?? []
    const liesThere = lying.includes(id) && (lying[lying.indexOf(id) - 1] ?? null) === target.after
    if (!liesThere) layOut(id, target.tray, target.after)
  })
  const position = selected === null ? undefined : byId.get(selected)

  if (record.book.positions.length === 0 && state.positions.length === 0)
    return (
      <div className={styles.nothing}>
        <h1>{say.stripMap}</h1>
        <p>{say.limitBookHas}</p>
        <AddPosition noted={noted} onAdded={setSelected} />
      </div>
    )
  return (
    <div className={styles.page}>
      <Notices noted={noted} />
      <ComplaintNote noted={noted} />
      <div className={styles.top}>
        <h1>{say.stripMap}</h1>
        <Tabs
          label={say.strip}
          value={tab}
          onChange={setTab}
          tabs={[
            {
              id: 'map',
              label: (
                <>
                  {say.map} <span className="figure">{say.out(isOut)}</span>
                </>
              ),
            },
            {
              id: 'steps',
              label: (
                <>
                  {say.steps}{' '}
                  <span className="figure">
                    {stepsDone}/{stripSteps.length}
                  </span>
                </>
              ),
            },
          ]}
        />
        <span className={styles.topFacts}>
          {faults.length > 0 && (
            <span className={styles.faultCount}>
              <b className="figure">{faults.length}</b> {say.missing}
            </span>
          )}
          {stillInside(state).length > 0 && (
            <span className={styles.faultCount}>
              <b className="figure">{stillInside(state).reduce((sum, { inside }) => sum + inside, 0)}</b>{' '}
              {say.temporaryThingsInside}
            </span>
          )}
        </span>
        <ButtonLink href={`/jobs/${record.job.id}/labels`}>{say.labelsPrint}</ButtonLink>
      </div>
      <Fault text={fault ?? noted.closed} />
      {tab === 'steps' ? (
        <TabPanel tab="steps" className={styles.steps}>
          {stripSteps.length === 0 && <p>{say.limitBookHasNo}</p>}
          <ol className={stepStyles.steps}>
            {stripSteps.map((step, index) => (
              <StepCard key={step.id} noted={noted} step={step} number={index + 1} />
            ))}
          </ol>
          <AddStep noted={noted} phase="strip" after={stripSteps.at(-1)?.id ?? null} />
        </TabPanel>
      ) : (
        <>
          <TabPanel tab="map" className={styles.map} onPointerDown={onPointerDown}>
            <section
              className={styles.machine}
              aria-label={say.machine}
              data-machine
              data-over={dragging?.target?.kind === 'machine' || undefined}
            >
              <input
                type="search"
                className={styles.find}
                aria-label={say.findPartName}
                placeholder={say.findPart}
                value={wanted}
                maxLength={60}
                onChange={(event) => setWanted(event.currentTarget.value)}
              />
              <StripTree
                jobId={record.job.id}
                rows={rows}
                selected={selected}
                mayMove={mayMove}
                dragged={dragging?.id ?? null}
                onSelect={setSelected}
                onToggle={toggle}
                onLayOut={layOutHere}
                onPutBack={putBack}
                onTag={() => tagForm.current?.querySelector('input')?.focus()}
              />
              {rows.length === 0 && <p className={styles.quiet}>{say.noPartHas}</p>}
              <AddPosition noted={noted} onAdded={setSelected} />
            </section>
            <section className={styles.middle} aria-label={say.trays}>
              <div className={styles.trayHead}>
                <h2>{say.traysOrderRemoval}</h2>
                {mayMove && (
                  <Button
                    onClick={() => {
                      const name = nextTrayName(state)
                      setNewTray(name)
                      setChosenTray(name)
                    }}
                  >
                    {say.newTray}
                  </Button>
                )}
              </div>
              <Trays
                trays={trays}
                current={current}
                selected={selected}
                mayMove={mayMove}
                dragging={dragging}
                onCurrent={setChosenTray}
                onSelect={setSelected}
                onShift={shift}
              />
              {faults.length > 0 && (
                <section className={styles.faults} aria-labelledby="missing">
                  <h2 id="missing">{say.missingTitle}</h2>
                  <ul>
                    {faults.map((item) => {
                      const says = stripFaultWords(state, item)
                      return (
                        <li key={`${item.position} ${says}`}>
                          <button type="button" onClick={() => setSelected(item.position)}>
                            {says}
                          </button>
                        </li>
                      )
                    })}
                  </ul>
                </section>
              )}
              <Temporaries noted={noted} />
            </section>
            <div className={styles.panel} ref={tagForm}>
              {position ? (
                <PositionPanel
                  key={position.id}
                  noted={noted}
                  position={position}
                  tray={current}
                  faults={faults.filter((item) => item.position === position.id)}
                  onLayOut={() => layOutHere(position.id)}
                  onPutBack={() => putBack(position.id)}
                />
              ) : (
                <p className={styles.quiet}>
                  {opened !== null && !byId.has(opened) ? say.machineHasNo(opened) : say.choosePartTree}
                </p>
              )}
            </div>
          </TabPanel>
          {dragging && (
            <span ref={carried} className={styles.carried} aria-hidden="true">
              {byId.get(dragging.id)?.name}
            </span>
          )}
        </>
      )}
      <p className={styles.keys}>
        <span>
          <Key>↑</Key> <Key>↓</Key> {say.partWord}
        </span>
        <span>
          <Key>{say.enter}</Key> {say.layOutWord}
        </span>
        <span>
          <Key>{say.bksp}</Key> {say.putBack}
        </span>
        <span>
          <Key>T</Key> {say.tagWord}
        </span>
        <span>
          <Key>{say.alt}</Key> {say.orderTray}
        </span>
        <span className={styles.caution}>{CAUTION}</span>
      </p>
    </div>
  )
}

/** As its page shows it. */
export const StripMapIsland = receiving(StripMap)
