import { State } from '../figures/State'

interface Props {
  phrases: readonly string[]
  /** How many other steps wait for the same. */
  more: number
  onOwn: (all: boolean) => void
}

/** What an older version of this plan said in words and holds in fields now: to be looked at, then the author's own. */
export function ReadNote({ phrases, more, onOwn }: Props) {
  return (
    <div>
      <h3>
        <State level="open">Read from the words</State>
      </h3>
      <p>{phrases.join('; ')}. Correct what is wrong in the open step.</p>
      <button type="button" className="do" onClick={() => onOwn(false)}>
        This is right
      </button>
      {more > 0 && (
        <button type="button" className="do" onClick={() => onOwn(true)}>
          All {more + 1} steps are right
        </button>
      )}
    </div>
  )
}
