import { useMemo, useState } from 'react'
import type { JobView } from '../../contract/answers'
import { equalPartsOf, type PairingFound, type RotationFound } from '../../core/evaluate/equalParts'
import { quantityOf } from '../../core/method/gives'
import type { EntryBody } from '../../core/notes/entrySchema'
import type { Tag } from '../../core/notes/shapes'
import { formatLength, formatQuantity, unitLabel, unitOf } from '../../core/quantity/format'
import { type Meter, meterOf } from '../../core/quantity/meter'
import { perThousandWords, ranWords } from '../../core/words/meter'
import { say } from '../../labels/equalParts'
import { Button } from '../../ui/Button'
import { Fault } from '../../ui/Field'
import { SourceNote } from '../../ui/SourceNote'
import { type JobNotes, type NotesProps, useNotes } from '../notes/useNotes'
import styles from './Fits.module.css'

/** Equal parts that may change places: as they are, as they would last longest, and taken over onto their tags. */
export function EqualParts({ view, person }: { readonly view: JobView; readonly person: NotesProps['person'] }) {
  const noted = useNotes({ view, person })
  const { record, results } = noted
  const found = useMemo(() => {
    const byId = new Map(results.characteristics.map((one) => [one.id, one]))
    return equalPartsOf(record.book, (id) => byId.get(id), record.job.policy)
  }, [record, results])
  return (
    <section className={styles.equal} aria-labelledby="equal-parts">
      <h2 id="equal-parts">{say.equalParts}</h2>
      {found.map((one) =>
        one.kind === 'rotation' ? (
          <RotationTable key={one.spec.id} found={one} noted={noted} />
        ) : (
          <PairingTable key={one.spec.id} found={one} noted={noted} />
        ),
      )}
    </section>
  )
}

const BLANK: Tag = { number: '', face: '', clock: null, matchMark: '', keptWith: [], count: 1, note: '' }

/** What tells on the tags of parts where each is to go; none for parts that the book gives no position. */
function tagsFor(noted: JobNotes, moves: readonly { readonly part: string; readonly to: string }[]): readonly EntryBody[] {
  return moves.flatMap(({ part, to }) => {
    const position = noted.state.positions.find(({ book }) => book?.part === part)
    if (!position) return []
    const { by: _, at: __, ...tag } = position.tag ?? { ...BLANK, by: '', at: '' }
    const kept = tag.note.split('; ').filter((text) => text !== '' && !text.startsWith(say.goesTo('')))
    return [
      { kind: 'tagWritten', position: position.id, tag: { ...tag, note: [...kept, say.goesTo(to)].join('; ').slice(0, 400) } },
    ]
  })
}

function TakeOver({ noted, bodies }: { readonly noted: JobNotes; readonly bodies: readonly EntryBody[] }) {
  const [told, setTold] = useState<string | null>(null)
  const [done, setDone] = useState(false)
  if (bodies.length === 0 || noted.closed !== null) return null
  return (
    <>
      <Button
        disabled={done}
        onClick={() =>
          void noted.write(...bodies).then((fate) => {
            setTold(fate.kind === 'refused' ? fate.message : null)
            setDone(fate.kind !== 'refused')
          })
        }
      >
        {done ? say.onTags : say.takeOver}
      </Button>
      <Fault text={told} />
    </>
  )
}

const partOf = (noted: JobNotes, characteristic: string): string =>
  noted.record.book.characteristics.find(({ id }) => id === characteristic)?.part ?? ''
const partName = (noted: JobNotes, characteristic: string): string => {
  const id = partOf(noted, characteristic)
  return noted.record.book.parts.find((part) => part.id === id)?.name ?? characteristic
}

function RotationTable({ found: { spec, places, best }, noted }: { readonly found: RotationFound; readonly noted: JobNotes }) {
  const { record } = noted
  const meter = meterOf(record.machine)
  const { units } = record.machine
  const first = record.book.characteristics.find(({ id }) => id === spec.places[0])
  const kind = first ? quantityOf(first.method) : 'length'
  const step = first?.showTo ?? 0.01
  const figure = (value: number | null, to: number): string => (value === null ? '–' : formatQuantity(value, kind, units, to))
  const unit = unitOf(kind, units)
  const moves = (best?.placed ?? []).filter(({ part, place }) => part !== place)
  return (
    <div>
      <table className={styles.plain}>
        <caption>{spec.name}</caption>
        <thead>
          <tr>
            <th scope="col">{say.place}</th>
            <th scope="col" className={styles.right}>
              {say.left(unit)}
            </th>
            <th scope="col" className={styles.right}>
              {say.wears(unit, perThousandWords(meter))}
            </th>
            <th scope="col">{say.goesHere}</th>
            <th scope="col" className={styles.right}>
              {say.lasts}
            </th>
          </tr>
        </thead>
        <tbody>
          {places.map(({ characteristic, rest, perThousandHours }) => {
            const placed = best?.placed.find(({ place }) => place === characteristic)
            return (
              <tr key={characteristic}>
                <th scope="row">{partName(noted, characteristic)}</th>
                <td className={`figure ${styles.right}`}>{figure(rest, step)}</td>
                <td className={`figure ${styles.right}`}>{figure(perThousandHours, step / 10)}</td>
                <td>{placed ? (placed.part === placed.place ? say.stays : partName(noted, placed.part)) : '–'}</td>
                <td className={`figure ${styles.right}`}>{placed ? lastsWords(placed.hours, meter) : '–'}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <p className={styles.note}>
        {best === null
          ? say.rotationOpen
          : moves.length === 0
            ? say.rotationStays(lastsWords(best.lastsHours, meter))
            : say.rotationMoves(lastsWords(best.lastsHours, meter), lastsWords(best.asItIsHours ?? 0, meter))}{' '}
        <SourceNote source={spec.source} documents={record.book.documents} />
      </p>
      <TakeOver
        noted={noted}
        bodies={tagsFor(
          noted,
          moves.map(({ part, place }) => ({ part: partOf(noted, part), to: partName(noted, place) })),
        )}
      />
    </div>
  )
}

const lastsWords = (hours: number, meter: Meter): string =>
  Number.isFinite(hours) ? ranWords(Math.floor(hours), meter) : say.noWear

function PairingTable({ found, noted }: { readonly found: PairingFound; readonly noted: JobNotes }) {
  const { spec, boresMm, journalsMm, best, missing, staysPaired } = found
  const { record } = noted
  const { units } = record.machine
  const step = record.book.characteristics.find(({ id }) => id === spec.bores[0])?.showTo ?? 0.001
  const clearance = (bore: number, journal: number | undefined): string => {
    const [of, by] = [boresMm[bore], journal === undefined ? null : journalsMm[journal]]
    return of == null || by == null ? '–' : formatLength(of - by, units, step)
  }
  const nameOf = (id: string): string => noted.record.book.characteristics.find((one) => one.id === id)?.name ?? id
  const journalName = (at: number | undefined): string => (at === undefined ? '–' : nameOf(spec.journals[at] ?? ''))
  const moves = staysPaired
    ? []
    : (best?.journalOf ?? []).flatMap((journal, bore) => (journal === bore ? [] : [{ journal, bore }]))
  return (
    <div>
      <table className={styles.plain}>
        <caption>{spec.name}</caption>
        <thead>
          <tr>
            <th scope="col">{say.bore}</th>
            <th scope="col">{say.asItIs}</th>
            <th scope="col" className={styles.right}>
              {say.clearance(unitLabel(units))}
            </th>
            <th scope="col">{say.mostEven}</th>
            <th scope="col" className={styles.right}>
              {say.clearance(unitLabel(units))}
            </th>
          </tr>
        </thead>
        <tbody>
          {spec.bores.map((bore, index) => (
            <tr key={bore}>
              <th scope="row">{nameOf(bore)}</th>
              <td>{journalName(index)}</td>
              <td className={`figure ${styles.right}`}>{clearance(index, index)}</td>
              <td>{journalName(best?.journalOf[index])}</td>
              <td className={`figure ${styles.right}`}>{clearance(index, best?.journalOf[index])}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className={styles.note}>
        {missing.length > 0
          ? say.pairingOpen(missing.map(nameOf).join(', '))
          : best === null
            ? say.nothingPairs
            : staysPaired
              ? say.pairsStay
              : moves.length === 0
                ? say.pairsAreBest
                : say.pairsMove}{' '}
        <SourceNote source={spec.source} documents={record.book.documents} />
      </p>
      <TakeOver
        noted={noted}
        bodies={tagsFor(
          noted,
          moves.map(({ journal, bore }) => ({
            part: partOf(noted, spec.bores[bore] ?? ''),
            to: nameOf(spec.journals[journal] ?? ''),
          })),
        )}
      />
    </div>
  )
}
