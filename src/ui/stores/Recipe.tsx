import type { SolutionRow } from '@/core/stores/setRow'
import { writeNumber } from '@/core/quantity/write'

/** How a solution is made up: what to take, in what, in which order, how long it keeps. */
export function Recipe({ solution, unit }: { solution: SolutionRow; unit: 'g' | 'mL' }) {
  if (unit === 'g') return null
  if ('why' in solution) return <p className="recipe quiet">How it is made cannot be said: {solution.why}.</p>
  const { take, toML, vessel, how, mixing, note, keeps } = solution
  return (
    <p className="recipe">
      <b className="fig">
        {writeNumber(take.value, take.value >= 100 ? 0 : take.value >= 10 ? 1 : 2)} {take.unit}
      </b>{' '}
      up to <b className="fig">{toML} mL</b>, {vessel}. {mixing} {note}
      {keeps && ` Keeps ${keeps}.`} <span className="quiet fig-line">{how}</span>
    </p>
  )
}
