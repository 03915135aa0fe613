import { useEffect, useState } from 'react'
import type { DraftView } from '../../contract/answers'
import { moreValues, type SheetRow, type SheetState } from '../../core/kit/limitSheet'
import type { ReductionName } from '../../core/method/reduction'
import { ribbonOfLimits } from '../../drawing/ribbonScale'
import { say as rowSay } from '../../labels/limitRow'
import { judgedWords, say } from '../../labels/limitSheet'
import { Button, Key } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Fault, SelectField } from '../../ui/Field'
import { LimitRibbon } from '../../ui/limitRibbon/LimitRibbon'
import { MethodSketch } from '../../ui/methodSketch/MethodSketch'
import { receiving } from '../pageData/pageData'
import { keyOf, typedOf } from './cells'
import styles from './LimitSheet.module.css'
import { PageBeside } from './PageBeside'
import { RoutesBeside } from './RoutesBeside'
import { SettingBeside } from './SettingBeside'
import { SheetTable } from './SheetTable'
import { type Sheet, useSheet } from './useSheet'

type Shown = 'all' | 'empty' | 'faulty' | 'toCheck'

interface SheetProps {
  readonly view: DraftView
  readonly me: string
  readonly may: { readonly type: boolean; readonly check: boolean; readonly note: boolean }
}

/** Every limit of a machine in one grid: typed from the manual by one person, held against the page by another. */
function LimitSheet({ view, me, may }: SheetProps) {
  const sheet = useSheet(view, me)
  const { rows, draft } = sheet
  const mayType = may.type && !draft.view.issued
  const [mode, setMode] = useState<'type' | 'check'>(mayType ? 'type' : 'check')
  const [only, setOnly] = useState<Shown>('all')
  const [here, setHere] = useState<SheetRow | null>(null)
  const counts = countsOf(rows)
  const shown = rows.filter((row) => isShown(row, only, sheet))
  const waiting = rows.filter(({ limit }) => limit?.typed?.check === null && limit.typed.by !== me)
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 's') return
      event.preventDefault()
      void sheet.save()
    }
    addEventListener('keydown', onKey)
    return () => removeEventListener('keydown', onKey)
  })
  const filters: readonly (readonly [Shown, string, number])[] = [
    ['all', say.all, rows.length],
    ['empty', say.empty, counts.empty],
    ['faulty', say.faulty, sheet.faults.size],
    ['toCheck', say.toCheck, counts.typed + counts.differs],
  ]
  const found = here && rows.find((row) => keyOf(row) === keyOf(here))
  return (
    <div className={styles.page}>
      <div className={styles.main}>
        <div className={styles.head}>
          <h1>{say.sheet}</h1>
          {mayType && may.check && (
            <Choice
              legend={say.mode}
              options={[
                { value: 'type', label: say.type },
                { value: 'check', label: say.check },
              ]}
              value={mode}
              onChange={setMode}
            />
          )}
          <div className={styles.filters}>
            {filters.map(([value, text, count]) => (
              <Button key={value} aria-pressed={only === value} onClick={() => setOnly(value)}>
                {text} <b className="figure">{count}</b>
              </Button>
            ))}
          </div>
          {mode === 'type' && mayType ? (
            <Button kind="primary" disabled={sheet.ready.length === 0 || sheet.busy} onClick={() => void sheet.save()}>
              {say.save(sheet.ready.length)}
            </Button>
          ) : (
            may.check && <p role="status">{say.waiting(waiting.length)}</p>
          )}
        </div>
        <ul className={styles.counts}>
          {(['agreed', 'typed', 'differs', 'empty'] satisfies SheetState[]).map((state) => (
            <li key={state} data-state={state}>
              <b className="figure">{counts[state]}</b> {say.counted[state]}
            </li>
          ))}
        </ul>
        {!mayType && !may.check && <p>{say.mayLook}</p>}
        <Fault text={draft.faultOf('limits', 'check', 'want', 'setting')} />
        {rows.length === 0 ? (
          <p className={styles.empty}>
            {say.nothing} <a href={`/machines/${draft.view.machine.id}/compose`}>{say.composeFirst}</a>
          </p>
        ) : (
          <SheetTable sheet={sheet} rows={shown} checks={mode === 'check' && may.check} mayType={mayType} onHere={setHere} />
        )}
      </div>
      <aside className={styles.side} aria-label={rowSay.value}>
        {found ? <Beside row={found} sheet={sheet} mayAdd={may.note} mayType={mayType} /> : <p>{say.emptyJudges}</p>}
      </aside>
      <p className={styles.foot}>
        <span>
          <Key>{say.tabKey}</Key> {say.nextCell}
        </span>
        <span>
          <Key>↑</Key> <Key>↓</Key> {say.row}
        </span>
        <span>
          <Key>{say.fillKey}</Key> {say.fillDown}
        </span>
        <span>
          <Key>{say.pasteKeys}</Key> {say.pasteKey}
        </span>
        <span>
          <Key>{say.saveKeys}</Key> {say.saveKey}
        </span>
        <a href={`/machines/${draft.view.machine.id}/compose`}>{say.compose}</a>
        <span className={styles.caution}>{say.emptyJudges}</span>
      </p>
    </div>
  )
}

/** How the value of the row is measured, and who typed and checked it. */
function Beside({
  row,
  sheet,
  mayAdd,
  mayType,
}: {
  readonly row: SheetRow
  readonly sheet: Sheet
  readonly mayAdd: boolean
  readonly mayType: boolean
}) {
  const { book } = sheet.draft.view
  const measured = book.characteristics.find(({ id }) => id === row.of)
  const part = measured && book.parts.find(({ id }) => id === measured.part)
  const typed = typedOf(row)
  const equal = sheet.equalTo(row)
  const texts = sheet.textsOf(row)
  const source = sheet.carried.get(keyOf(row)) ?? { document: '', page: '' }
  return (
    <>
      <p className={styles.over}>{row.group}</p>
      <h2>{row.name}</h2>
      <p>{say.judged(judgedWords(row.judges), row.side)}</p>
      <RowRibbon row={sheet.asTyped(row)} sheet={sheet} />
      {measured && (
        <>
          <div className={styles.sketch}>
            <MethodSketch
              method={measured.method}
              active={null}
              taken={new Set()}
              system={sheet.units}
              values={new Map()}
              nameOf={(id) => book.characteristics.find((one) => one.id === id)?.name ?? id}
            />
          </div>
          {[measured.how, measured.pose, measured.trap].filter(Boolean).map((text) => (
            <p key={text}>{text}</p>
          ))}
        </>
      )}
      <SettingBeside key={`setting ${row.of}`} of={row.of} sheet={sheet} mayType={mayType} />
      {part && <RoutesBeside key={`routes ${row.of}`} part={part} of={row.of} sheet={sheet} mayType={mayType} />}
      {equal.length > 0 && (
        <>
          <Button disabled={sheet.busy} onClick={() => sheet.fillEqual(row)}>
            {say.equalRows(equal.length)}
          </Button>
          <p className={styles.about}>{say.equalAbout(equal.map(({ group }) => group).join(', '))}</p>
        </>
      )}
      <PageBeside
        key={keyOf(row)}
        machine={sheet.draft.view.machine.id}
        document={(texts.document || source.document).trim()}
        page={(texts.page || source.page).trim()}
        pages={sheet.draft.view.pages}
        mayAdd={mayAdd}
      />
      {mayType && <AnotherValue key={row.of} row={row} sheet={sheet} />}
      <p className={styles.about}>{say.noManual}</p>
      <p className={styles.about}>{rowSay.byTable}</p>
      {typed && <p className={styles.about}>{say.typedBy(typed.by)}</p>}
      {typed?.check && (
        <p className={styles.about}>{say.saysOf(typed.check.by, typed.check.agrees ? say.agrees : typed.check.note)}</p>
      )}
    </>
  )
}

/** The limit of the row on its scale, as it is typed. */
function RowRibbon({
  row: { limit, new: size, quantity, step, side },
  sheet,
}: {
  readonly row: SheetRow
  readonly sheet: Sheet
}) {
  const plain = limit === null || 'depends' in limit ? [] : [{ side, plan: limit.plan, wear: limit.wear }]
  const model = ribbonOfLimits({ limits: plain, new: size && [size.lower, size.upper] }, quantity, step)
  return model && <LimitRibbon model={model} width={300} labels system={sheet.units} />
}

/** A row for a value that the sheet does not ask for, and the manual limits. */
function AnotherValue({ row, sheet }: { readonly row: SheetRow; readonly sheet: Sheet }) {
  const more = moreValues(sheet.draft.view.book, row.of)
  const [chosen, setChosen] = useState('')
  const place = more.find(({ judges, side }) => `${judges} ${side}` === chosen)
  if (more.length === 0) return null
  const add = async (at: { readonly judges: ReductionName; readonly side: 'upper' | 'lower' }): Promise<void> => {
    if (await sheet.draft.make({ kind: 'want', of: row.of, ...at })) setChosen('')
  }
  return (
    <div className={styles.another}>
      <SelectField
        label={say.anotherValue}
        value={chosen}
        options={[
          { value: '', label: say.chooseValue },
          ...more.map(({ judges, side }) => ({ value: `${judges} ${side}`, label: say.judged(judgedWords(judges), side) })),
        ]}
        onChange={({ currentTarget }) => setChosen(currentTarget.value)}
      />
      <Button disabled={!place || sheet.busy} onClick={() => place && void add(place)}>
        {say.addRow}
      </Button>
    </div>
  )
}

const countsOf = (rows: readonly SheetRow[]): Record<SheetState, number> => {
  const counts: Record<SheetState, number> = { agreed: 0, typed: 0, differs: 0, empty: 0 }
  for (const { state } of rows) counts[state] += 1
  return counts
}

function isShown(row: SheetRow, only: Shown, sheet: Sheet): boolean {
  switch (only) {
    case 'all':
      return true
    case 'empty':
      return row.state === 'empty'
    case 'faulty':
      return sheet.faults.has(keyOf(row))
    case 'toCheck':
      return row.state === 'typed' || row.state === 'differs'
  }
}

/** As its page shows it. */
export const LimitSheetIsland = receiving(LimitSheet)
