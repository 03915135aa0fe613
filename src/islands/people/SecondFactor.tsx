import { useState } from 'react'
import type { SecondFactorView } from '../../contract/answers'
import type { CodeBody, EndFactorBody, OwnPasswordCheckBody } from '../../contract/bodies'
import { say } from '../../labels/people'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { useSentForm } from '../forms/useSentForm'
import styles from './people.module.css'

/** The own second factor: set up, confirmed with a first code, given up. */
export function SecondFactor({ state, asked }: { readonly state: 'none' | 'asked' | 'set'; readonly asked: boolean }) {
  const [made, setMade] = useState<SecondFactorView | null>(null)
  if (made) return <Confirm made={made} />
  return (
    <>
      {state === 'asked' && (
        <p className="note" role="status">
          {say.factorMustBe}
        </p>
      )}
      <p>
        {say.factorAbout} {state === 'set' && <b>{say.factorSet}</b>}
      </p>
      {state !== 'set' && <Begin onMade={setMade} />}
      {state === 'set' && !asked && <End />}
    </>
  )
}

function Begin({ onMade }: { readonly onMade: (made: SecondFactorView) => void }) {
  const form = useSentForm<OwnPasswordCheckBody, SecondFactorView>({
    key: null,
    start: () => ({ current: '' }),
    path: '/api/account/second-factor',
    schema: async () => (await import('../../contract/bodies')).ownPasswordCheckBody,
    body: (typed) => typed,
    done: onMade,
  })
  return (
    <form className={styles.form} onSubmit={form.submit} noValidate>
      <TextField label={say.yourPassword} type="password" autoComplete="current-password" {...form.field('current')} />
      <Fault text={form.fault} />
      <Button type="submit" kind="primary" disabled={form.busy}>
        {say.factorBegin}
      </Button>
    </form>
  )
}

function Confirm({ made }: { readonly made: SecondFactorView }) {
  const form = useSentForm<CodeBody, unknown>({
    key: null,
    start: () => ({ code: '' }),
    path: '/api/account/second-factor/confirm',
    schema: async () => (await import('../../contract/bodies')).codeBody,
    body: (typed) => typed,
    done: () => location.assign('/account'),
  })
  return (
    <form className={styles.form} onSubmit={form.submit} noValidate>
      <p>
        {say.factorRead} <b className="figure">{made.secret}</b>
      </p>
      <img
        className={styles.qr}
        alt={say.factorPicture}
        src={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(made.picture)}`}
      />
      <h3>{say.recoveryCodes}</h3>
      <p>{say.recoveryAbout}</p>
      <ul className={`figure ${styles.codes}`}>
        {made.codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ul>
      <TextField label={say.codeNow} inputMode="numeric" autoComplete="one-time-code" {...form.field('code')} />
      <Fault text={form.fault} />
      <Button type="submit" kind="primary" disabled={form.busy}>
        {say.factorConfirm}
      </Button>
    </form>
  )
}

function End() {
  const form = useSentForm<EndFactorBody, unknown>({
    key: null,
    start: () => ({ current: '', code: '' }),
    path: '/api/account/second-factor/end',
    schema: async () => (await import('../../contract/bodies')).endFactorBody,
    body: (typed) => typed,
    done: () => location.reload(),
  })
  return (
    <form className={styles.form} onSubmit={form.submit} noValidate>
      <TextField label={say.yourPassword} type="password" autoComplete="current-password" {...form.field('current')} />
      <TextField label={say.codeNow} inputMode="numeric" autoComplete="one-time-code" {...form.field('code')} />
      <Fault text={form.fault} />
      <Button type="submit" disabled={form.busy}>
        {say.factorEnd}
      </Button>
    </form>
  )
}
