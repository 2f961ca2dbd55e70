import type { ReactNode } from 'react'
import type { Plan } from '@/core/plan/plan'
import { safetySheet } from '@/core/safety/safetySheet'
import type { GraverNote } from '@/reference/graver'
import { statementText } from '@/reference/hazardStatements'
import { writeNumber } from '@/core/quantity/write'
import { GraverSince } from './GraverSince'
import { Pictogram } from '../figures/Pictogram'

interface Props {
  plan: Plan
  /** First aid and spill measures that go with the hazards that occur, with their full texts. */
  measures: readonly string[]
  /** How a heading looks where this stands. */
  heading: (words: string) => ReactNode
  /** What is known to be graver now than when the plan was written. */
  graver?: readonly GraverNote[]
}

const list = (words: readonly string[]) => (
  <ul>
    {words.map((each) => (
      <li key={each}>{each}</li>
    ))}
  </ul>
)

/** All of the safety sheet of a plan, as it is read at the Desk, on paper and at the bench. */
export function SafetyParts({ plan, measures, heading, graver = [] }: Props) {
  const sheet = safetySheet(plan)
  return (
    <>
      <p className="deference">
        <b>Advice for a supervised laboratory.</b> The suppliers’ safety data sheets, your local rules and the qualified person in
        charge decide; where they say more than this sheet, they are right. If you are not sure, stop and ask.
      </p>
      <GraverSince notes={graver} />
      {plan.safety.ownWords !== '' && <p className="own-words">{plan.safety.ownWords}</p>}
      <div className="safety-columns">
        <section>
          {heading('Wear')}
          {list(plan.safety.wear)}
        </section>
        <section>
          {heading('Must be at hand')}
          {plan.safety.atHand.length > 0 ? list(plan.safety.atHand) : <p className="doubt">Nothing is named yet.</p>}
        </section>
      </div>
      {heading('Substances in use')}
      <table className="ruled substances">
        <tbody>
          {sheet.substances.map((substance) => (
            <tr key={substance.id}>
              <th scope="row">
                <b>{substance.name}</b>
                {substance.hazards!.signal !== 'none' && (
                  <span className={substance.hazards!.signal === 'danger' ? 'danger' : 'doubt'}>{substance.hazards!.signal}</span>
                )}
              </th>
              <td className="signs">
                {substance.hazards!.pictograms.map((code) => (
                  <Pictogram key={code} code={code} />
                ))}
              </td>
              <td>
                {substance.caution && <b>{substance.caution} </b>}
                <span className="quiet">{substance.hazards!.statements.map(statementText).join('. ')}.</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {sheet.unknown.length > 0 && (
        <p className="doubt">
          Nothing is on record about {sheet.unknown.map(({ name }) => name).join(', ')}: read the safety data sheet before it is
          opened.
        </p>
      )}
      <div className="safety-columns">
        <section>
          {heading('Dangers of the work')}
          <ul>
            {sheet.dangers.map(({ words, steps }) => (
              <li key={words}>
                {words} <span className="quiet">{steps.join(', ')}</span>
              </li>
            ))}
          </ul>
          {sheet.gases.length > 0 && (
            <>
              {heading('Gases that come off')}
              <ul>
                {sheet.gases.map(({ gas, litres, from, step, lead }) => (
                  <li key={`${step} ${gas}`}>
                    <b>
                      {gas}, {litres === null ? 'nobody can say how much' : `up to ${writeNumber(litres, litres < 1 ? 2 : 1)} L`}
                    </b>
                    : {lead}.{' '}
                    <span className="quiet">
                      {step}; from {from.join(' and ')}, at 20 °C
                    </span>
                  </li>
                ))}
              </ul>
            </>
          )}
        </section>
        <section>
          {heading('If something happens')}
          <p>Call the person in charge at once, whatever it is.</p>
          {list(measures)}
          {heading('Where it goes afterwards')}
          <ul>
            {sheet.waste.map(({ stream, substances, heed }) => (
              <li key={stream}>
                <b>{stream}:</b> {substances.join(', ')}. {heed}
              </li>
            ))}
          </ul>
        </section>
      </div>
    </>
  )
}
