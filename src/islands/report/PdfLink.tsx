import { useState } from 'react'
import { say } from '../../labels/report'
import { callLong } from '../../sync/http'
import { ButtonLink } from '../../ui/Button'
import { Fault } from '../../ui/Field'
import { LongWorkBar } from '../longWork/LongWorkBar'
import { useLongWork } from '../longWork/useLongWork'

/** The link to a report's PDF: while the server makes it, it says how far it is. */
export function PdfLink({ href }: { readonly href: string }) {
  const long = useLongWork()
  const [fault, setFault] = useState<string | null>(null)
  const make = async (): Promise<void> => {
    setFault(null)
    const answer = await long.run((work) => callLong(href, {}, work))
    if (answer.kind === 'ok') location.assign(href)
    else if (answer.kind === 'offline') setFault(say.serverCannotReachedPdf)
    else if (answer.kind === 'refused') setFault(answer.message)
  }
  if (long.isRunning) return <LongWorkBar {...long} first="layingOut" />
  return (
    <>
      <ButtonLink
        href={href}
        kind="primary"
        onClick={(event) => {
          // In a window of its own it is fetched there.
          if (event.ctrlKey || event.metaKey || event.shiftKey || event.button !== 0) return
          event.preventDefault()
          void make()
        }}
      >
        {say.pdf}
      </ButtonLink>
      <Fault text={fault} />
    </>
  )
}
