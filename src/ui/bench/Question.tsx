'use client'

/** A doubt about a number, asked before it is written. */
export function Question({ question, onCorrect, onKeep }: { question: string; onCorrect: () => void; onKeep: () => void }) {
  return (
    <div className="question" role="alertdialog" aria-label="A question before it is written">
      <p>{question}</p>
      <button type="button" className="go" autoFocus onClick={onCorrect}>
        Correct it
      </button>
      <button type="button" className="plain" onClick={onKeep}>
        It is right, write it down
      </button>
    </div>
  )
}
