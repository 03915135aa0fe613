import type { BookPage } from '../../contract/bookAnswers'
import type { Characteristic, FitSpec, LimitBook, Part } from '../../core/book/bookSchema'
import type { Limit, LimitBy } from '../../core/limit/limit'
import { writtenTable } from '../../core/limit/limitTable'
import { quantityOf, quantityOfValue, stepOf } from '../../core/method/gives'
import { slotsOf } from '../../core/method/layout'
import { figuresOf } from '../../core/quantity/figures'
import type { QuantityKind } from '../../core/quantity/kind'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { cautionText } from '../../core/words/cautions'
import { fitKindWords } from '../../core/words/fits'
import { gaugeKindName } from '../../core/words/gauges'
import { stepName, valueName } from '../../core/words/labels'
import { methodName } from '../../core/words/methods'
import { serviceRuleWords } from '../../core/words/serviceRules'
import { say } from '../../labels/books'
import { MethodSketch } from '../methodSketch/MethodSketch'
import { SourceNote } from '../SourceNote'
import styles from './BookBody.module.css'

/** A limit book as it is read and printed: parts by assembly with what is measured of them, fits, and the steps. */
export function BookBody({ page: { book, units } }: { readonly page: Pick<BookPage, 'book' | 'units'> }) {
  const assemblies = [...new Set(book.parts.map(({ assembly }) => assembly))]
  return (
    <div className={styles.book}>
      <section aria-labelledby="documents">
        <h2 id="documents">{say.documents}</h2>
        <table className={styles.table}>
          <tbody>
            {book.documents.map(({ id, title, revision }) => (
              <tr key={id}>
                <th scope="row">{id}</th>
                <td>{title === id ? '' : title}</td>
                <td>{revision === '' ? '' : say.rev(revision)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {assemblies.map((assembly) => (
        <section key={assembly} aria-label={assembly}>
          <h2>{assembly}</h2>
          {book.parts
            .filter((part) => part.assembly === assembly)
            .map((part) => (
              <PartOf key={part.id} part={part} book={book} units={units} />
            ))}
        </section>
      ))}
      {book.fits.length > 0 && (
        <section aria-labelledby="fits">
          <h2 id="fits">{say.fits}</h2>
          {book.fits.map((fit) => (
            <FitOf key={fit.id} fit={fit} book={book} units={units} />
          ))}
        </section>
      )}
      <Steps book={book} />
    </div>
  )
}

interface Of {
  readonly book: LimitBook
  readonly units: UnitSystem
}

function PartOf({ part, book, units }: Of & { readonly part: Part }) {
  const measured = book.characteristics.filter((one) => one.part === part.id)
  const rules = book.findingRules.filter((one) => one.part === part.id)
  const partName = (id: string): string => book.parts.find((one) => one.id === id)?.name ?? id
  const renewed = [
    ...(part.renewedAlways ? [say.renewedAlways] : []),
    ...(part.service ?? []).map((rule) => serviceRuleWords(rule, partName)),
  ]
  return (
    <article className={styles.part} aria-label={part.name}>
      <h3>
        {part.name}{' '}
        <span className={styles.quiet}>
          {[part.position === part.name ? [] : part.position, part.alsoIn ? say.alsoIn(part.alsoIn.join(', ')) : []]
            .flat()
            .join('; ')}
        </span>
      </h3>
      {renewed.length > 0 && <p className={styles.rules}>{renewed.join('; ')}</p>}
      {part.routes.length > 0 && (
        <ul className={styles.lines}>
          {part.routes.map((route) => (
            <li key={route.id}>
              <b>{route.name}</b> {say.mends(route.mends.map((id) => nameIn(book, id)).join(', '))}
              {route.cost !== null && ` ${say.price(route.cost, book.currency, route.days)}`}{' '}
              <SourceNote source={route.source} documents={book.documents} />
            </li>
          ))}
        </ul>
      )}
      {measured.map((one) => (
        <Measured key={one.id} one={one} book={book} units={units} />
      ))}
      {rules.length > 0 && (
        <ul className={styles.lines}>
          {rules.map((rule) => (
            <li key={rule.id}>
              {rule.text} <SourceNote source={rule.source} documents={book.documents} />
            </li>
          ))}
        </ul>
      )}
    </article>
  )
}

const nameIn = (book: LimitBook, id: string): string =>
  [...book.characteristics, ...book.fits].find((one) => one.id === id)?.name ?? id

function Measured({ one, book, units }: Of & { readonly one: Characteristic }) {
  const places = slotsOf(one.method).length
  return (
    <div className={styles.measured}>
      <div className={styles.sketch}>
        <MethodSketch
          method={one.method}
          active={null}
          taken={new Set()}
          system={units}
          values={new Map()}
          nameOf={(id) => nameIn(book, id)}
        />
      </div>
      <div>
        <h4>
          {one.name} {one.safety && <span className={styles.safety}>{say.safety}</span>}
        </h4>
        <p className={styles.quiet}>
          {methodName[one.method.kind]}
          {places > 0 && `, ${say.readings(places)}`}, {gaugeKindName[one.gaugeKind]}
        </p>
        {[one.how, one.pose, one.trap].filter(Boolean).map((text) => (
          <p key={text}>{text}</p>
        ))}
        <Limits
          of={one}
          book={book}
          units={units}
          kindOf={({ judges }) => quantityOfValue(one.method, judges)}
          sizeKind={quantityOf(one.method)}
          step={(kind) => stepOf(one.method, one.showTo, kind)}
        />
      </div>
    </div>
  )
}

function FitOf({ fit, book, units }: Of & { readonly fit: FitSpec }) {
  return (
    <article className={styles.part} aria-label={fit.name}>
      <h3>
        {fit.name} <span className={styles.quiet}>{fitKindWords[fit.kind ?? 'shaftInBore']}</span>
      </h3>
      <Limits of={fit} book={book} units={units} kindOf={() => 'length'} sizeKind="length" step={() => fit.showTo} />
    </article>
  )
}

function Limits({
  of,
  book,
  units,
  kindOf,
  sizeKind,
  step,
}: Of & {
  readonly of: Characteristic | FitSpec
  readonly kindOf: (limit: Limit | LimitBy) => QuantityKind
  readonly sizeKind: QuantityKind
  readonly step: (kind: QuantityKind) => number
}) {
  const { new: size, limits, limitsBy = [], wants = [] } = of
  const all: readonly (Limit | LimitBy)[] = [...limits, ...limitsBy]
  const open = wants.filter((want) => !all.some(({ judges, side }) => judges === want.judges && side === want.side))
  const whole = figuresOf(sizeKind, units, step(sizeKind))
  if (size === null && all.length === 0 && open.length === 0) return <p className={styles.quiet}>{say.noLimit}</p>
  return (
    <table className={`${styles.table} ${styles.limits}`}>
      <thead>
        <tr>
          <th scope="col">{say.value}</th>
          <th scope="col">{say.plan}</th>
          <th scope="col">{say.wear}</th>
          <th scope="col">{say.passed}</th>
          <th scope="col">{say.source}</th>
        </tr>
      </thead>
      <tbody>
        {size && (
          <tr>
            <th scope="row">{say.new}</th>
            <td colSpan={3} className="figure">
              {whole.bound(size.lower)} … {whole.bound(size.upper)} {whole.unit}
            </td>
            <td>
              <SourceNote source={size.source} documents={book.documents} />
            </td>
          </tr>
        )}
        {all.map((limit) => {
          const kind = kindOf(limit)
          const { bound, unit } = figuresOf(kind, units, step(kind))
          const shown = (which: 'plan' | 'wear'): string => {
            if ('depends' in limit) return writtenTable(limit.depends, which, bound, units) ?? say.byFormula
            const value = limit[which]
            return value === null ? '–' : `${bound(value)} ${unit}`.trim()
          }
          return (
            <tr key={limit.id}>
              <th scope="row">
                {valueName[limit.judges]}, {say.sides[limit.side]}
              </th>
              <td className="figure">{shown('plan')}</td>
              <td className="figure">{shown('wear')}</td>
              <td>
                {say.whenPassed[limit.whenPassed]}
                {limit.instruction !== '' && <span className={styles.quiet}> {limit.instruction}</span>}
              </td>
              <td>
                <SourceNote source={limit.source} documents={book.documents} />
                {limit.typed && <span className={styles.mark}>{say.mark(limit.typed)}</span>}
              </td>
            </tr>
          )
        })}
        {open.map(({ judges, side, none }) => (
          <tr key={`${judges} ${side}`}>
            <th scope="row">
              {valueName[judges]}, {say.sides[side]}
            </th>
            <td colSpan={none ? 3 : 4} className={styles.quiet}>
              {none ? say.noneByPage : say.notTyped}
            </td>
            {none && (
              <td>
                <SourceNote source={none.source} documents={book.documents} />
                {none.typed && <span className={styles.mark}>{say.mark(none.typed)}</span>}
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function Steps({ book }: { readonly book: LimitBook }) {
  const phases = [...new Set(book.procedure.map(({ phase }) => phase))]
  const places = new Map(book.positions.map(({ id, name }) => [id, name]))
  return phases.map((phase) => (
    <section key={phase} aria-label={stepName[phase]}>
      <h2>{stepName[phase]}</h2>
      <ol className={styles.steps}>
        {book.procedure
          .filter((step) => step.phase === phase)
          .map((step) => (
            <li key={step.id}>
              <b>{step.name}</b> {step.holdPoint && <span className={styles.safety}>{say.holdPoint}</span>} {step.text}
              {step.cautions.map((id) => (
                <p key={id} className={styles.caution}>
                  ! {cautionText(book.cautions.find((own) => own.id === id) ?? { id, text: null, licensed: null })}
                </p>
              ))}
              {step.wait && <p>{say.wait(step.wait.minutes, step.wait.for)}</p>}
              {step.stop && <p>{step.stop.text}</p>}
              {step.removes.length > 0 && <p>{say.takesOut(step.removes.map((id) => places.get(id) ?? id).join(', '))}</p>}
              {step.source && <SourceNote source={step.source} documents={book.documents} />}
            </li>
          ))}
      </ol>
    </section>
  ))
}
