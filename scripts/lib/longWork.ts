import { farWords } from '../../src/contract/longWords'
import type { LongWork, Progress } from '../../src/contract/longWork'

/** Thrown where a command was cancelled. */
export class Cancelled extends Error {}
/** Exit code of a command that was cancelled, as shells know it of Ctrl-C. */
export const CANCELLED = 130

export interface CommandWork extends LongWork {
  /** From here on it goes to its end: Ctrl-C is heard no more until the command is over. */
  readonly hold: () => void
}

/** What a command needs of the world: a place to say how far it is, and the signals that cancel it. */
export interface Terminal {
  readonly isTTY?: boolean
  write(text: string): unknown
}

const BACK = '\r\u001b[K'

/**
 * Runs the work of a command: on a terminal one line says how far it is, and Ctrl-C tells it to stop, so that it can put
 * everything back; nothing is said where the output goes to a file.
 */
export async function withProgress<T>(run: (work: CommandWork) => Promise<T>, terminal: Terminal = process.stderr): Promise<T> {
  const controller = new AbortController()
  let isHeld = false
  const cancel = (): void => {
    if (!isHeld) controller.abort()
  }
  for (const signal of SIGNALS) process.on(signal, cancel)
  const clear = (): void => {
    if (terminal.isTTY) terminal.write(BACK)
  }
  try {
    return await run({
      signal: controller.signal,
      say: (progress: Progress) => {
        if (terminal.isTTY) terminal.write(BACK + farWords(progress))
      },
      hold: () => {
        if (controller.signal.aborted) throw new Cancelled()
        isHeld = true
      },
    })
  } catch (error) {
    throw controller.signal.aborted ? new Cancelled() : error
  } finally {
    clear()
    for (const signal of SIGNALS) process.off(signal, cancel)
  }
}

const SIGNALS = ['SIGINT', 'SIGTERM'] as const
