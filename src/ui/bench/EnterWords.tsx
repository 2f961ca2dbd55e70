import { useState } from 'react'
import type { Due } from '@/core/measurements/due'

type Use = (Due & { kind: 'words' })['uses'][number]

/** A few words, such as the slot of a vial, and what it is for. */
export function EnterWords({
  due,
  onTake,
}: {
  due: Due & { kind: 'words' }
  onTake: (said: { text: string; for?: Use }) => void
}) {
  const [text, setText] = useState('')
  const [use, setUse] = useState<Use>()
  const [problem, setProblem] = useState<string>()
  const take = () =>
    text.trim() === ''
      ? setProblem(`Nothing is entered. Write it ${due.example}.`)
      : onTake({ text: text.trim(), ...(use ? { for: use } : {}) })
  return (
    <>
      <input
        className="reason"
        aria-label={due.label}
        maxLength={40}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={(event) => event.key === 'Enter' && take()}
      />
      <div className="choice" role="group" aria-label="What it is for">
        {due.uses.map((each) => (
          <button key={each} type="button" aria-pressed={use === each} onClick={() => setUse(use === each ? undefined : each)}>
            {each}
          </button>
        ))}
      </div>
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <button type="button" className="go" onClick={take}>
        Write it down
      </button>
    </>
  )
}
