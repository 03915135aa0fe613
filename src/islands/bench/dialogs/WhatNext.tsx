import { useState } from 'react'
import { whatNext } from '../../../core/evaluate/whatNext'
import { dispositionRank } from '../../../core/policy/disposition'
import { suspectWords } from '../../../core/words/crossChecks'
import { reasonOf, settledBy } from '../../../core/words/votes'
import { say } from '../../../labels/benchDialogs'
import { Button } from '../../../ui/Button'
import { Dialog, DialogActions } from '../../../ui/Dialog'
import type { Bench } from '../benchState'
import styles from './WhatNext.module.css'

const SHOWN = 12
/** From reuse to replace is all of it. */
const movesWords = (moves: number): string => (moves >= dispositionRank.replace ? say.couldStillMean : say.couldMoveVerdict)

/** What to measure next, and why: what is missing or doubtful, by how far it could change a verdict. */
export function WhatNext({ bench, onClose }: { readonly bench: Bench; readonly onClose: () => void }) {
  const { speaker } = bench
  const { book } = bench.record
  const steps = whatNext(bench.results())
  const [doubts] = useState(() => bench.doubts())
  const go = (id: string): void => {
    onClose()
    bench.acts.does({ kind: 'goTo', characteristic: id })
  }
  return (
    <Dialog title={say.whatNext} onClose={onClose}>
      {doubts.length > 0 && (
        <>
          <p>{say.whatKnownTwice}</p>
          <ol className={styles.next}>
            {doubts.slice(0, SHOWN).map(({ crossCheck, suspect, moves }) => {
              const characteristic = book.characteristics.find(({ id }) => id === suspect.characteristic)
              return characteristic ? (
                <li key={`${crossCheck.id} ${suspect.characteristic} ${JSON.stringify(suspect.slot)}`}>
                  <Button
                    onClick={() => {
                      onClose()
                      bench.acts.does({ kind: 'goTo', characteristic: characteristic.id, slot: suspect.slot ?? undefined })
                    }}
                  >
                    {suspectWords(speaker, suspect, characteristic)}
                  </Button>
                  {moves > 0 && ` ${movesWords(moves)}`}
                </li>
              ) : null
            })}
          </ol>
        </>
      )}
      {steps.length === 0 ? (
        <p>{doubts.some(({ moves }) => moves > 0) ? say.nothingMissingCan : say.nothingMoreCan}</p>
      ) : (
        <ol className={styles.next}>
          {steps.slice(0, SHOWN).map(({ part, vote, moves }) => {
            const characteristic = book.characteristics.find(({ id }) => id === vote.subject)
            const name = book.parts.find(({ id }) => id === part)?.name ?? part
            return (
              <li key={`${part} ${vote.rule} ${vote.subject} ${reasonOf(speaker, vote)}`}>
                <b>{name}</b>: {reasonOf(speaker, vote)}, {movesWords(moves)}.{' '}
                {characteristic ? (
                  <Button onClick={() => go(characteristic.id)}>{characteristic.name}</Button>
                ) : (
                  <span>{settledBy(speaker, vote)}</span>
                )}
              </li>
            )
          })}
        </ol>
      )}
      {steps.length > SHOWN && <p>{say.more(steps.length - SHOWN)}</p>}
      <DialogActions>
        <Button kind="primary" onClick={onClose}>
          {say.backBench}
        </Button>
      </DialogActions>
    </Dialog>
  )
}
