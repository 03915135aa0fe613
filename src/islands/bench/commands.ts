import { useEffect, useState } from 'react'
import { hasSingleLetters, setSingleLetters } from '../ownSettings'

export interface Command {
  /** Single letter; with Alt it works always, alone only while nothing is typed. */
  readonly key: string
  readonly label: string
  readonly run: () => void
  /** Answers an open warning: counts even while something is typed, because no unit has this letter. */
  readonly answers?: boolean
}

/** Letters as commands: an empty field takes them, because no figure begins with a letter, and a word keeps its own; once something is typed they are text. */
export function useCommands(
  commands: readonly Command[],
  typed: string,
  /** Letters with which what is read here may begin: those belong to the field. */
  own: string,
): { readonly singleLetters: boolean; readonly setSingleLetters: (on: boolean) => void } {
  const [singleLetters, setOn] = useState(true)
  useEffect(() => setOn(hasSingleLetters()), [])
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.defaultPrevented || document.querySelector('dialog[open]')) return
      const command = commands.find(({ key }) => key === event.key.toLowerCase())
      if (!command) return
      const target = event.target as HTMLElement
      const isReading = target.dataset.reading !== undefined
      if (isReading && !event.altKey && !command.answers && own.includes(command.key)) return
      const isOtherInput = !isReading && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)
      const alone = !isOtherInput && (command.answers || (singleLetters && (!isReading || typed === '')))
      if (!event.altKey && !alone) return
      event.preventDefault()
      command.run()
    }
    addEventListener('keydown', onKey)
    return () => removeEventListener('keydown', onKey)
  })
  return {
    singleLetters,
    setSingleLetters: (on) => {
      setOn(on)
      setSingleLetters(on)
    },
  }
}
