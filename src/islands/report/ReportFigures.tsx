import { stages } from '../../core/record/stage'
import { stageName } from '../../core/words/labels'
import { ribbonOf } from '../../drawing/ribbonScale'
import { say } from '../../labels/report'
import { type ContactPicture, contactWord } from '../../report/contactPicture'
import { type MeasurementSheet, measurementSheets, type ReportDraft } from '../../report/reportFacts'
import { LimitRibbon } from '../../ui/limitRibbon/LimitRibbon'
import { VerdictWord } from '../../ui/VerdictMark'
import styles from './ReportDocument.module.css'

/** Every characteristic's sheet: readings as typed, results with limits and sources, the later stages. */
export function ReportFigures({ content }: { readonly content: ReportDraft }) {
  const { machine, job } = content.record
  return (
    <section className={styles.section}>
      <h2>{say.asFoundFigures}</h2>
      {measurementSheets(content).map(
        ({ characteristic, result, readings, reductions, gauges, contact, verdict, unit, ...again }) => (
          <div key={characteristic.id} className={styles.sheet}>
            <div className={styles.sheetHead}>
              <h3>
                {characteristic.name}
                {unit !== '' && <span className={styles.reason}>, {unit}</span>}
              </h3>
              <span className={styles.reason}>{gauges === '' ? say.notMeasured : gauges}</span>
              <VerdictWord verdict={verdict} size={14} />
            </div>
            <table className={`${styles.table} ${styles.readings}`}>
              <thead>
                <tr>
                  <th scope="col">{say.place}</th>
                  <th scope="col">{say.asTyped}</th>
                  <th scope="col" className={styles.right}>
                    {say.reading}
                  </th>
                </tr>
              </thead>
              <tbody>
                {readings.map(({ place, reading, value, corrected, note }) => (
                  <tr key={place}>
                    <td>{place}</td>
                    <td>
                      <span className="figure">{reading?.text ?? ''}</span>
                      {corrected && <span className={styles.reason}>{say.was(corrected.text, corrected.reason)}</span>}
                      {note !== '' && <span className={styles.reason}> {say.noted(note)}</span>}
                    </td>
                    <td className="figure">{value}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            <div>
              {contact && <ContactPrint picture={contact} name={characteristic.name} />}
              <table className={`${styles.table} ${styles.readings}`}>
                <thead>
                  <tr>
                    <th scope="col">{say.result}</th>
                    <th scope="col" className={styles.right}>
                      {say.value95}
                    </th>
                    <th scope="col">{say.limitSource}</th>
                  </tr>
                </thead>
                <tbody>
                  {reductions.map(({ name, value, limits, source }) => (
                    <tr key={name}>
                      <td>{name}</td>
                      <td className="figure">{value}</td>
                      <td className={styles.reason}>
                        {limits} {source && `(${source})`}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <LimitRibbon model={ribbonOf(characteristic, result, job.policy)} width={380} labels system={machine.units} />
              <LaterStages {...again} />
            </div>
          </div>
        ),
      )}
    </section>
  )
}

/** What was measured again after work and as left, beside what was found. */
function LaterStages({ stages: rows, later, changes }: Pick<MeasurementSheet, 'stages' | 'later' | 'changes'>) {
  return (
    <>
      {rows.length > 0 && (
        <table className={`${styles.table} ${styles.readings}`}>
          <thead>
            <tr>
              <th scope="col">{say.stageStage}</th>
              {stages.map((stage) => (
                <th key={stage} scope="col" className={styles.right}>
                  {stageName[stage]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ name, values }) => (
              <tr key={name}>
                <td>{name}</td>
                {values.map((value, index) => (
                  <td key={stages[index]} className="figure">
                    {value}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {[...later, ...changes].map((line) => (
        <p key={line} className={styles.reason}>
          {line}
        </p>
      ))}
    </>
  )
}

/** A contact print as it was painted. */
function ContactPrint({ picture: { columns, rows }, name }: { readonly picture: ContactPicture; readonly name: string }) {
  return (
    <table className={styles.contact}>
      <caption className="hidden-label">{say.contactPrint(name)}</caption>
      <thead>
        <tr>
          <td />
          {columns.map((column) => (
            <th key={column} scope="col">
              {column}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ label, cells }) => (
          <tr key={label}>
            <th scope="row">{label}</th>
            {cells.map((cell, index) => (
              <td key={columns[index]} data-contact={cell}>
                <span className="hidden-label">{contactWord[cell]}</span>
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
