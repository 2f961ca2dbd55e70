import { useState } from 'react'
import type { Due } from '@/core/measurements/due'
import { endsEarly } from '@/core/run/endsEarly'
import type { StepState } from '@/core/run/stepState'
import { Question } from './Question'

interface Props {
  state: StepState
  due: Due & { kind: 'press' | 'done' }
  onTake: () => void
}

/** One press. What is to be checked is checked before; one that ends a clock is asked about once where it has hardly begun. */
export function EnterDone({ state, due, onTake }: Props) {
  const [asked, setAsked] = useState<string>()
  const [checked, setChecked] = useState<ReadonlySet<string>>(new Set())
  if (asked)
    return <Question question={asked} onCorrect={() => setAsked(undefined)} onKeep={onTake} correct="Go on" keep="It is over" />
  const checks = due.kind === 'done' ? (due.checks ?? []) : []
  const left = checks.filter((check) => !checked.has(check)).length
  const take = () => {
    const question = due.ends ? endsEarly(state, new Date().getTime()) : null
    if (question) setAsked(question)
    else onTake()
  }
  return (
    <>
      {checks.map((check) => (
        <label className="check" key={check}>
          <input
            type="checkbox"
            checked={checked.has(check)}
            onChange={(event) => {
              const next = new Set(checked)
              if (event.currentTarget.checked) next.add(check)
              else next.delete(check)
              setChecked(next)
            }}
          />
          <span>{check}</span>
        </label>
      ))}
      <button type="button" className="go" disabled={left > 0} onClick={take}>
        {due.label}
      </button>
      {left > 0 && <p className="hint">{left === 1 ? 'One line is' : `${left} lines are`} still to be checked.</p>}
    </>
  )
}
