import { Refused } from './refused'

/** Code and sentence with which something is refused; nothing when it is done. */
export const refusal = (done: Promise<unknown>): Promise<string> =>
  done.then(
    () => '',
    (error: unknown) => {
      if (error instanceof Refused) return `${error.code}: ${error.message}`
      throw error
    },
  )

let numbers = 0
/** An id as a browser makes one, another each time. */
export const newId = (): string => {
  numbers += 1
  return `01990000-0000-7000-8000-${String(700_000 + numbers).padStart(12, '0')}`
}
