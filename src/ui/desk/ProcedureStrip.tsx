import { timeline, writeMinutes } from '@/core/plan/duration'
import type { Plan } from '@/core/plan/plan'
import { stepText } from '@/core/plan/stepText'
import type { ReactionTable } from '@/core/reaction/reactionTable'

/** The procedure as a strip of steps with a time gutter: solid while hands are busy, hatched while waiting. Amounts follow the table. */
export function ProcedureStrip({ plan, table }: { plan: Plan; table: ReactionTable }) {
  const { startMin, handsOnMin, waitMin } = timeline(plan)
  return (
    <section aria-label="Procedure">
      <h2 className="section-title">
        Procedure
        <small>
          {writeMinutes(handsOnMin + waitMin)} at the bench, {writeMinutes(waitMin)} of it waiting
        </small>
      </h2>
      <ol className="strip">
        {plan.steps.map((step) => {
          const start = startMin[step.id]!
          return (
            <li key={step.id} data-about={step.id}>
              <span className="t fig">
                {Math.floor(start / 60)}:{String(Math.round(start % 60)).padStart(2, '0')}
              </span>
              <span className={`gutter${step.waitMin > step.handsOnMin ? ' wait' : ''}`} aria-hidden="true" />
              <b>{step.title}</b>
              <span>
                {stepText(step.text, table).map((piece, index) =>
                  piece.kind === 'text' ? (
                    <span key={index}>{piece.text}</span>
                  ) : (
                    <span key={index}>
                      <span className={`fig ${piece.typed ? 'typed' : 'derived'}`}>{piece.amount}</span> {piece.name}
                    </span>
                  ),
                )}
              </span>
              <span className="until">
                {[step.until, step.witness ? 'a demonstrator signs' : undefined].filter(Boolean).join('; ')}
              </span>
            </li>
          )
        })}
      </ol>
    </section>
  )
}
