import { type ReactNode, useState } from 'react'
import { v7 } from 'uuid'
import { say } from '../../labels/books'
import { postJson } from '../../sync/http'
import { Button } from '../../ui/Button'
import { Fault, SelectField, TextField } from '../../ui/Field'
import styles from './Books.module.css'

interface ActionsProps {
  readonly book: string
  readonly revision: string
  readonly isDraft: boolean
  readonly isLatestDraft: boolean
  readonly hasDraft: boolean
  readonly retired: boolean
  readonly may: { readonly issue: boolean; readonly change: boolean }
  /** Machines that are measured against it, and those that might be. */
  readonly machines: readonly { readonly id: string; readonly name: string }[]
  readonly others: readonly { readonly id: string; readonly name: string }[]
}

/** What is done with a revision: issued, begun anew, retired, taken into use. */
export function BookActions(props: ActionsProps) {
  const { book, revision, isDraft, isLatestDraft, hasDraft, retired, may, machines, others } = props
  const path = `/api/books/${encodeURIComponent(book)}/${encodeURIComponent(revision)}`
  const [machine] = machines
  return (
    <div className={styles.actions}>
      {isLatestDraft && !may.issue && <p className={styles.quiet}>{say.secondIssues}</p>}
      {may.issue && (
        <Asking
          label={say.issueAs}
          button={say.issue}
          about={say.issueAbout}
          most={20}
          send={async (text, id) => {
            const answer = await postJson<{ revision: string }>(`${path}/issue`, { id, revision: text })
            return answer.kind === 'ok' ? at(book, answer.value.revision) : refusal(answer)
          }}
        />
      )}
      {!isDraft && may.change && !hasDraft && machine && <Begin book={book} machine={machine.id} revision={revision} />}
      {!isDraft && may.change && (
        <Later open={retired ? say.offer : say.retire}>
          <Asking
            label={retired ? say.offerWhy : say.retireWhy}
            button={retired ? say.offer : say.retire}
            about=""
            most={400}
            send={async (reason, id) => {
              const answer = await postJson(`${path}/standing`, { id, retired: !retired, reason })
              return answer.kind === 'ok' ? at(book, revision) : refusal(answer)
            }}
          />
        </Later>
      )}
      {may.change && (
        <Later open={say.copy}>
          <Asking
            label={say.copyTitle}
            button={say.copy}
            about={say.copyAbout}
            most={200}
            send={async (title, id) => {
              const answer = await postJson<{ id: string; revision: string }>(`${path}/copy`, { id, title })
              return answer.kind === 'ok' ? at(answer.value.id, answer.value.revision) : refusal(answer)
            }}
          />
        </Later>
      )}
      {may.change && others.length > 0 && <UseOn book={book} revision={revision} machines={others} />}
    </div>
  )
}

type Done = { readonly go: string } | { readonly says: string }
const at = (book: string, revision: string): Done => ({
  go: `/books/${encodeURIComponent(book)}?rev=${encodeURIComponent(revision)}`,
})
const refusal = (answer: { readonly kind: 'offline' } | { readonly kind: 'refused'; readonly message: string }): Done => ({
  says: answer.kind === 'offline' ? say.notReached : answer.message,
})

/** One line that is asked before something is done. */
function Asking({
  label,
  button,
  about,
  most,
  send,
}: {
  readonly label: string
  readonly button: string
  readonly about: string
  readonly most: number
  readonly send: (text: string, id: string) => Promise<Done>
}) {
  const [text, setText] = useState('')
  // One id for what is asked: pressed twice, it is done once.
  const [id, setId] = useState(() => v7())
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  return (
    <form
      className={styles.ask}
      onSubmit={(event) => {
        event.preventDefault()
        setBusy(true)
        void send(text.trim(), id).then((done) => {
          setBusy(false)
          if ('go' in done) return location.assign(done.go)
          setId(v7())
          setFault(done.says)
        })
      }}
    >
      <TextField
        label={label}
        value={text}
        maxLength={most}
        autoComplete="off"
        onChange={({ currentTarget }) => setText(currentTarget.value)}
      />
      <Button kind="primary" type="submit" disabled={busy || text.trim() === ''}>
        {button}
      </Button>
      {about !== '' && <p className={styles.quiet}>{about}</p>}
      <Fault text={fault} />
    </form>
  )
}

function Later({ open, children }: { readonly open: string; readonly children: ReactNode }) {
  const [isOpen, setOpen] = useState(false)
  return isOpen ? children : <Button onClick={() => setOpen(true)}>{open} …</Button>
}

function Begin({ book, machine, revision }: { readonly book: string; readonly machine: string; readonly revision: string }) {
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const begin = async (): Promise<void> => {
    setBusy(true)
    const body = { id: v7(), base: revision, change: { kind: 'begin' } }
    const answer = await postJson<{ revision: string }>(`/api/machines/${encodeURIComponent(machine)}/draft`, body)
    setBusy(false)
    if (answer.kind === 'ok')
      location.assign(`/books/${encodeURIComponent(book)}?rev=${encodeURIComponent(answer.value.revision)}`)
    else setFault(answer.kind === 'offline' ? say.notReached : answer.message)
  }
  return (
    <div className={styles.ask}>
      <Button disabled={busy} onClick={() => void begin()}>
        {say.begin}
      </Button>
      <p className={styles.quiet}>{say.beginAbout}</p>
      <Fault text={fault} />
    </div>
  )
}

/** Takes a revision into use on a machine that is measured against another book, or none. */
function UseOn({
  book,
  revision,
  machines,
}: {
  readonly book: string
  readonly revision: string
  readonly machines: readonly { readonly id: string; readonly name: string }[]
}) {
  const [machine, setMachine] = useState(machines[0]?.id ?? '')
  return (
    <Later open={say.takeFor}>
      <div className={styles.ask}>
        <SelectField
          label={say.machine}
          value={machine}
          options={machines.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={({ currentTarget }) => setMachine(currentTarget.value)}
        />
        <UseButton book={book} revision={revision} machine={machine} withJob={false} label={say.useIt} />
        <p className={styles.quiet}>{say.takeForAbout}</p>
      </div>
    </Later>
  )
}

/** Measures a machine against a revision from now on; with its open job, where that is asked for. */
export function UseButton({
  book,
  revision,
  machine,
  withJob,
  label,
}: {
  readonly book: string
  readonly revision: string
  readonly machine: string
  readonly withJob: boolean
  readonly label: string
}) {
  const [state, setState] = useState<'ready' | 'busy' | 'done'>('ready')
  const [fault, setFault] = useState<string | null>(null)
  const use = async (): Promise<void> => {
    setState('busy')
    setFault(null)
    const answer = await postJson(`/api/machines/${encodeURIComponent(machine)}/book`, { book, revision, job: withJob })
    setState(answer.kind === 'ok' ? 'done' : 'ready')
    if (answer.kind !== 'ok') setFault(answer.kind === 'offline' ? say.notReached : answer.message)
  }
  if (state === 'done') return <p role="status">{say.taken(revision)}</p>
  return (
    <>
      <Button kind="primary" disabled={state === 'busy'} onClick={() => void use()}>
        {label}
      </Button>
      <Fault text={fault} />
    </>
  )
}

export function PrintButton() {
  return <Button onClick={() => print()}>{say.print}</Button>
}
