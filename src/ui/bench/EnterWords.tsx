import { useState } from 'react'
import type { Due } from '@/core/measurements/due'

/** A few words, such as the slot of a vial. */
export function EnterWords({ due, onTake }: { due: Due & { kind: 'words' }; onTake: (text: string) => void }) {
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string>()
  const take = () => (text.trim() === '' ? setProblem(`Nothing is entered. Write it ${due.example}.`) : onTake(text.trim()))
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
