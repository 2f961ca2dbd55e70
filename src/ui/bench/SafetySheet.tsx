import type { Plan } from '@/core/plan/plan'
import { statementWords } from '@/core/plan/safetySheet'

/** What can hurt today, drawn from the plan: wear, what must be at hand, the hazards of every substance, the dangers of the steps. */
export function SafetySheet({ plan }: { plan: Plan }) {
  const dangerous = plan.substances.filter(({ hazards }) => hazards)
  const operations = plan.steps.filter(({ caution }) => caution)
  return (
    <div className="safety">
      <h2>Wear</h2>
      <p>{plan.safety.wear.join('. ')}.</p>
      <h2>At hand</h2>
      <p>{plan.safety.atHand.join('. ')}.</p>
      {plan.safety.ownWords && <p>{plan.safety.ownWords}</p>}
      <h2>Substances</h2>
      <dl>
        {dangerous.map(({ id, name, hazards, caution }) => (
          <div key={id}>
            <dt>
              {name}: <span className={hazards!.signal === 'danger' ? 'danger' : 'doubt'}>{hazards!.signal}</span>
            </dt>
            <dd>
              {caution && <b>{caution} </b>}
              {hazards!.statements.map(statementWords).join('. ')}.
            </dd>
          </div>
        ))}
      </dl>
      <h2>Steps</h2>
      <ul>
        {operations.map(({ id, title, caution }) => (
          <li key={id}>
            <b>{title}:</b> {caution}
          </li>
        ))}
      </ul>
      <p className="quiet">
        Advice for a supervised laboratory. The supplier’s safety data sheet, your local rules and the qualified person in charge
        decide. If you are not sure, stop and ask.
      </p>
    </div>
  )
}
