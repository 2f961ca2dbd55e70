'use client'

interface Props {
  question: string
  onCorrect: () => void
  onKeep: () => void
  correct?: string
  keep?: string
}

/** A doubt about what is being written, asked once. */
export function Question({ question, onCorrect, onKeep, correct = 'Correct it', keep = 'It is right, write it down' }: Props) {
  return (
    <div className="question" role="alertdialog" aria-label="A question before it is written">
      <p>{question}</p>
      <button type="button" className="go" autoFocus onClick={onCorrect}>
        {correct}
      </button>
      <button type="button" className="plain" onClick={onKeep}>
        {keep}
      </button>
    </div>
  )
}
