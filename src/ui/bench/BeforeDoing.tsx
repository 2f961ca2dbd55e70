import { useState } from 'react'
import type { Before } from '@/core/run/beforeDoing'
import { Reason } from './Reason'

/** What cannot be taken back is asked about before it is begun; the answer stays in the book. */
export function BeforeDoing({ before, onGoOn }: { before: Before; onGoOn: (reason: string | null) => void }) {
  const [reason, setReason] = useState('')
  const [asked, setAsked] = useState(false)
  return (
    <section className="pad" aria-label="Before it is done">
      <div className="question">
        <p>{before.question}</p>
      </div>
      {before.needsReason && (
        <Reason
          usual={['Tested: nothing of ours in it', 'The plan throws it away', 'The demonstrator says so']}
          value={reason}
          onValue={setReason}
        />
      )}
      {asked && reason.trim() === '' && (
        <p className="problem" role="alert">
          Give the reason: it stays in the book.
        </p>
      )}
      <button
        type="button"
        className="go"
        onClick={() =>
          before.needsReason && reason.trim() === '' ? setAsked(true) : onGoOn(before.needsReason ? reason.trim() : null)
        }
      >
        We have looked: go on
      </button>
    </section>
  )
}
