import { formatLength, unitLabel } from '../../core/quantity/format'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { ribbonOfFit } from '../../drawing/ribbonScale'
import { say } from '../../labels/fits'
import { SortHead } from '../../ui/dataTable/SortHead'
import type { TableModel } from '../../ui/dataTable/useTableModel'
import { LimitRibbon } from '../../ui/limitRibbon/LimitRibbon'
import { FitStateMark } from './FitStateMark'
import styles from './Fits.module.css'
import { type FitRow, stateWords } from './fitRows'

interface FitTableProps {
  readonly model: TableModel<FitRow>
  readonly units: UnitSystem
  readonly chosen: string | undefined
  readonly onChoose: (id: string) => void
}

/** Every fit in a row: tightest, loosest, where both lie between the limits, and its state. */
export function FitTable({ model, units, chosen, onChoose }: FitTableProps) {
  const unit = unitLabel(units)
  return (
    <table className={styles.table}>
      <caption className="hidden-label">{say.tableOf}</caption>
      <thead>
        <tr>
          <SortHead text={say.mate} head={model.headOf('fit')} />
          <SortHead text={say.tightest(unit)} head={model.headOf('tightest')} right />
          <SortHead text={say.loosest(unit)} head={model.headOf('loosest')} right />
          <th scope="col" className={styles.ribbonHead}>
            {say.againstLimits}
          </th>
          <SortHead text={say.state} head={model.headOf('state')} />
        </tr>
      </thead>
      <tbody>
        {model.rows.map((row) => (
          <Row key={row.spec.id} row={row} units={units} isChosen={row.spec.id === chosen} onChoose={onChoose} />
        ))}
      </tbody>
    </table>
  )
}

interface RowProps {
  readonly row: FitRow
  readonly units: UnitSystem
  readonly isChosen: boolean
  readonly onChoose: (id: string) => void
}

function Row({ row, units, isChosen, onChoose }: RowProps) {
  const { spec, fit } = row
  const figure = (mm: number | null | undefined): string => (mm == null ? '–' : formatLength(mm, units, spec.showTo))
  return (
    <tr
      tabIndex={isChosen ? 0 : -1}
      data-fit={spec.id}
      aria-current={isChosen || undefined}
      aria-label={`${spec.name}: ${stateWords(row)}`}
      onFocus={() => onChoose(spec.id)}
      onClick={() => onChoose(spec.id)}
    >
      <th scope="row">
        {spec.name}
        <span className={styles.kind}>{row.kind}</span>
      </th>
      <td className={`figure ${styles.right}`}>{figure(fit.minimum?.value)}</td>
      <td className={`figure ${styles.right}`}>{figure(fit.maximum?.value)}</td>
      <td className={styles.ribbon}>
        <LimitRibbon model={ribbonOfFit(spec, fit)} width={130} system={units} />
      </td>
      <td>
        <FitStateMark state={row.state} words={stateWords(row)} />
      </td>
    </tr>
  )
}
