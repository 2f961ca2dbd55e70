'use client'

import { useState } from 'react'
import { finalWords, type Final } from '@/core/run/beforeDoing'
import { Reason } from './Reason'

/** Why the procedure is left, as it usually is. */
export const turns = {
  skip: {
    press: 'Leave this step out',
    words: 'Why is it left out?',
    take: 'Leave it out',
    usual: ['Nothing to do here', 'Done in another step', 'No time left', 'The demonstrator says so'],
  },
  ahead: {
    press: 'Do it now, out of turn',
    words: 'Why before its turn?',
    take: 'Do it now',
    usual: ['While we wait', 'The apparatus is free now', 'The demonstrator says so'],
  },
  again: {
    press: 'Do it once more',
    words: 'Why once more?',
    take: 'Begin it again',
    usual: ['Not enough the first time', 'A further portion', 'It went wrong', 'The demonstrator says so'],
  },
} as const

export type TurnKind = keyof typeof turns

/** A press that leaves the order of the procedure: it asks for the reason, which stays in the book. */
export function Turn({ kind, final, onTake }: { kind: TurnKind; final: Final | null; onTake: (reason: string) => void }) {
  const [open, setOpen] = useState(false)
  const [reason, setReason] = useState('')
  const [asked, setAsked] = useState(false)
  const { press, words, take, usual } = turns[kind]
  if (!open)
    return (
      <section className="pad turn" aria-label={press}>
        <button type="button" className="plain" onClick={() => setOpen(true)}>
          {press}
        </button>
      </section>
    )
  return (
    <section className="pad" aria-label={press}>
      <h2>{words}</h2>
      {final && <p className="danger">{finalWords[final]}</p>}
      <Reason usual={usual} value={reason} onValue={setReason} />
      {asked && reason.trim() === '' && (
        <p className="problem" role="alert">
          Give the reason: it stays in the book.
        </p>
      )}
      <div className="choice">
        <button type="button" onClick={() => (reason.trim() === '' ? setAsked(true) : onTake(reason.trim()))}>
          {take}
        </button>
        <button type="button" onClick={() => setOpen(false)}>
          Not now
        </button>
      </div>
    </section>
  )
}
