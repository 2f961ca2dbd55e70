import { memo } from 'react'
import { substanceOf, type Plan } from '@/core/plan/plan'
import { madeLine, scaledToProduct, sequenceOf } from '@/core/edit/sequence'
import { writeNumber } from '@/core/quantity/write'
import { State } from '../figures/State'
import type { Earlier } from './useEarlier'

interface Props {
  plan: Plan
  earlier: Earlier
  /** Absent where the plan is only read. */
  onChange?: ((plan: Plan, label: string) => void) | undefined
}

/** Where a plan goes on from another: the chain from the bottle to here, what each link makes and needs, and the overall yield. */
export const SequenceLine = memo(function SequenceLine({ plan, earlier, onChange }: Props) {
  const sequence = sequenceOf(plan, earlier.plans)
  // Whoever only reads may not see the draft that it is.
  if (earlier.lost !== undefined && onChange)
    return (
      <p className="sequence-lost">
        <State level="doubt">
          No preparation of the course in use is called “{earlier.lost}”, now or before: say in the line of{' '}
          {substanceOf(plan, madeLine(plan)!).name} where it is made, or that it comes from the bottle.
        </State>
      </p>
    )
  if (!sequence) return null
  const percent = (span: { low: number; high: number } | null) =>
    span ? `${writeNumber(100 * span.low, 0)}–${writeNumber(100 * span.high, 0)} %` : 'yield expected: not said yet'
  const before = sequence.links.at(-2)!
  const scaled = before.makesG === null ? null : scaledToProduct(plan, before.makesG)
  const differs =
    before.makesG !== null && Math.abs(before.makesG - (before.taken?.needsG ?? before.makesG)) > 0.02 * before.makesG
  return (
    <section className="sequence" aria-label="Sequence">
      <ol>
        {sequence.links.map(({ title, product, expected, makesG, taken }, place) => (
          <li key={place}>
            <b>{title}</b>
            <span className="fig">
              {percent(expected)}
              {makesG !== null && `, about ${writeNumber(makesG, 2)} g ${product}`}
            </span>
            {taken?.needsG != null && (
              <span className={makesG !== null && makesG < taken.needsG ? 'doubt' : 'quiet'}>
                next needs {writeNumber(taken.needsG, 2)} g
              </span>
            )}
          </li>
        ))}
      </ol>
      <p>
        Overall yield expected:{' '}
        <b className="fig">
          {sequence.overall ? percent(sequence.overall) : 'not known: say what each preparation is expected to give'}
        </b>{' '}
        {onChange && scaled && differs && (
          <button type="button" className="opens" onClick={() => onChange(scaled, `scaled to what ${before.title} makes`)}>
            Scale this plan to the {writeNumber(before.makesG!, 2)} g that {before.title} makes
          </button>
        )}
      </p>
    </section>
  )
})
