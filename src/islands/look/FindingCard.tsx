import { useState } from 'react'
import { formatMoment } from '../../contract/words'
import { type CauseFamily, causeFamilies, causesOf } from '../../core/condition/findingKinds'
import type { Finding } from '../../core/notes/state'
import { strongestRule } from '../../core/verdict/findingRule'
import { causeName, findingWords, pieceWords, severityName, sinceName } from '../../core/words/findings'
import { verdictName } from '../../core/words/labels'
import { say } from '../../labels/look'
import { Button, ButtonLink } from '../../ui/Button'
import { Fault, SelectField, TextField } from '../../ui/Field'
import { SourceNote } from '../../ui/SourceNote'
import { VerdictWord } from '../../ui/VerdictMark'
import type { JobNotes } from '../notes/useNotes'
import { Pictures } from '../picture/Pictures'
import styles from './Look.module.css'

/** A finding: what it points to, what confirms it, what mends it, what the book says, and its cause. */
export function FindingCard({
  noted,
  finding,
  onChange,
}: {
  readonly noted: JobNotes
  readonly finding: Finding
  readonly onChange: () => void
}) {
  const { book } = noted.record
  const kind = findingWords[finding.kind]
  const rule = strongestRule(book.findingRules, finding)
  const part = book.parts.find(({ id }) => id === finding.part)
  const stations = book.positions.filter((position) => position.part === finding.part).flatMap((position) => position.stations)
  const station = stations.find(({ id }) => id === finding.station)
  const route = rule?.route ? part?.routes.find(({ id }) => id === rule.route) : undefined
  const where = [
    pieceWords(finding),
    station && `${station.id} ${station.label}`,
    finding.clock && `${finding.clock} o’clock`,
    finding.extent,
  ]
    .filter(Boolean)
    .join(' · ')
  return (
    <article className={styles.card} data-severity={finding.severity} aria-label={`${kind.label}, ${finding.severity}`}>
      <header className={styles.cardHead}>
        <h3>
          {kind.label} <span className={styles.severity}>{severityName[finding.severity].toLowerCase()}</span>
        </h3>
        <span className={styles.quiet}>
          {finding.by}, <span className="figure">{formatMoment(finding.at)}</span>
        </span>
      </header>
      <p>
        {where !== '' && <b>{where}</b>} <span className={styles.quiet}>{sinceName[finding.since]}</span>
        {finding.note !== '' && <> {finding.note}</>}
      </p>
      <dl className={styles.knows}>
        <dt>{say.points}</dt>
        <dd>
          {causesOf(finding.kind)
            .map((family) => causeName[family].toLowerCase())
            .join(', ')}
        </dd>
        <dt>{say.check}</dt>
        <dd>
          {kind.check.join('; ')}
          <Confirming noted={noted} finding={finding} characteristics={rule?.confirm ?? []} />
        </dd>
        <dt>{say.usually}</dt>
        <dd>{kind.mends}</dd>
        <dt>{say.book}</dt>
        <dd>
          {rule ? (
            <>
              <VerdictWord verdict={rule.asks} size={13} /> {rule.text}
              {route && `: ${route.name.toLowerCase()}`} <SourceNote source={rule.source} documents={book.documents} />
            </>
          ) : finding.kind === 'crack' ? (
            <>
              <VerdictWord verdict="replace" size={13} /> {say.noRepairNamed(verdictName.replace.toLowerCase())}
            </>
          ) : (
            say.hasNoRule
          )}
        </dd>
      </dl>
      <Cause noted={noted} finding={finding} />
      <div className={styles.cardFoot}>
        <Pictures noted={noted} subject={{ kind: 'finding', id: finding.id }} title={kind.label} />
        {noted.closed === null && <Withdraw noted={noted} finding={finding} onChange={onChange} />}
      </div>
    </article>
  )
}

/** Measurements that confirm the finding: on the plan already, or one press away from it. */
function Confirming({
  noted,
  finding,
  characteristics,
}: {
  readonly noted: JobNotes
  readonly finding: Finding
  readonly characteristics: readonly string[]
}) {
  const { book, job } = noted.record
  const own = book.characteristics.filter(({ part }) => part === finding.part).map(({ id }) => id)
  const all = [...new Set([...characteristics, ...own])]
  return (
    <span className={styles.confirming}>
      {all.map((id) => {
        const characteristic = book.characteristics.find((candidate) => candidate.id === id)
        const result = noted.results.characteristics.find((candidate) => candidate.id === id)
        if (!characteristic || !result) return null
        return result.need === 'required' ? (
          <ButtonLink key={id} href={`/jobs/${job.id}/bench?c=${id}`}>
            {say.measure(characteristic.name)}
            <span className="figure">
              {result.reductions.taken}/{result.reductions.needed}
            </span>
          </ButtonLink>
        ) : noted.closed === null ? (
          <Button
            key={id}
            onClick={() => void noted.write({ kind: 'measurementPlanned', characteristic: id, finding: finding.id })}
          >
            {say.addPlan(characteristic.name)}
          </Button>
        ) : null
      })}
    </span>
  )
}

function Cause({ noted, finding }: { readonly noted: JobNotes; readonly finding: Finding }) {
  const [open, setOpen] = useState(false)
  const [family, setFamily] = useState<CauseFamily>(causesOf(finding.kind)[0] ?? 'operation')
  const [text, setText] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const likely = causesOf(finding.kind)
  const options = [...likely, ...causeFamilies.filter((candidate) => !likely.includes(candidate))]
  const write = (cause: { family: CauseFamily; text: string } | null): void => {
    void noted.write({ kind: 'causeRecorded', finding: finding.id, cause }).then((fate) => {
      setFault(fate.kind === 'refused' ? fate.message : null)
      if (fate.kind !== 'refused') setOpen(false)
    })
  }
  if (finding.cause)
    return (
      <p className={styles.cause}>
        <b>{say.cause}</b> {causeName[finding.cause.family].toLowerCase()}
        {finding.cause.text !== '' && `, ${finding.cause.text}`} <span className={styles.quiet}>{finding.cause.by}</span>
        {noted.closed === null && (
          <Button kind="quiet" onClick={() => write(null)}>
            {say.leaveOpenAgain}
          </Button>
        )}
        <Fault text={fault} />
      </p>
    )
  return (
    <div className={styles.cause} data-open="">
      <b>{say.causeStillOpen}</b> {say.staysSightUp}
      {noted.closed === null && !open && (
        <Button kind="quiet" onClick={() => setOpen(true)}>
          {say.recordCause}
        </Button>
      )}
      {open && (
        <form
          className={styles.causeForm}
          onSubmit={(event) => {
            event.preventDefault()
            write({ family, text: text.trim() })
          }}
        >
          <SelectField
            label={say.family}
            value={family}
            autoFocus
            options={options.map((value) => ({ value, label: causeName[value] }))}
            onChange={(event) => setFamily(event.currentTarget.value as CauseFamily)}
          />
          <TextField label={say.words} value={text} maxLength={400} onChange={(event) => setText(event.currentTarget.value)} />
          <div className={styles.actions}>
            <Button type="submit" kind="primary">
              {say.recordTheCause}
            </Button>
            <Button onClick={() => setOpen(false)}>{say.notNow}</Button>
          </div>
        </form>
      )}
      <Fault text={fault} />
    </div>
  )
}

function Withdraw({
  noted,
  finding,
  onChange,
}: {
  readonly noted: JobNotes
  readonly finding: Finding
  readonly onChange: () => void
}) {
  const [open, setOpen] = useState(false)
  const [reason, setReason] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  if (!open)
    return (
      <span className={styles.actions}>
        <Button kind="quiet" onClick={onChange}>
          {say.change}
        </Button>
        <Button kind="quiet" onClick={() => setOpen(true)}>
          {say.withdraw}
        </Button>
      </span>
    )
  return (
    <form
      className={styles.causeForm}
      onSubmit={(event) => {
        event.preventDefault()
        if (reason.trim().length < 3) return setFault(say.sayWhyFew)
        void noted
          .write({ kind: 'findingWithdrawn', finding: finding.id, reason: reason.trim() })
          .then((fate) => setFault(fate.kind === 'refused' ? fate.message : null))
      }}
    >
      <TextField
        label={say.whyWithdrawn}
        value={reason}
        maxLength={400}
        autoFocus
        onChange={(event) => setReason(event.currentTarget.value)}
      />
      <Fault text={fault} />
      <div className={styles.actions}>
        <Button type="submit">{say.withdrawFinding}</Button>
        <Button onClick={() => setOpen(false)}>{say.notNow}</Button>
      </div>
    </form>
  )
}
