'use client'

import Link from 'next/link'
import { Button } from 'react-bootstrap'
import type { Plan } from '@/core/plan/plan'
import { safetySheet } from '@/core/plan/safetySheet'
import { Pictogram } from '../figures/Pictogram'

interface Props {
  plan: Plan
  /** Where the plan stands on the Desk. */
  desk: string
  revision: string
  /** First aid and spill measures that go with the hazards that occur, with their full texts. */
  measures: string[]
}

/** The safety sheet of a preparation: one page to read before anything is opened, and to print for the wall. */
export function SafetySheetView({ plan, desk, revision, measures }: Props) {
  const sheet = safetySheet(plan)
  const list = (words: readonly string[]) => (
    <ul>
      {words.map((each) => (
        <li key={each}>{each}</li>
      ))}
    </ul>
  )
  return (
    <article className="safety-page">
      <div className="head">
        <h1>Safety: {plan.title}</h1>
        <span className="sub">{revision}</span>
        <div className="actions no-print">
          <Link className="btn btn-quiet" href={desk}>
            To the plan
          </Link>
          <Button variant="quiet" onClick={() => window.print()}>
            Print
          </Button>
        </div>
      </div>
      <p className="deference">
        <b>Advice for a supervised laboratory.</b> The suppliers’ safety data sheets, your local rules and the qualified person in
        charge decide; where they say more than this sheet, they are right.
      </p>
      {plan.safety.ownWords !== '' && <p className="own-words">{plan.safety.ownWords}</p>}
      <div className="safety-columns">
        <section>
          <h2 className="section-title">Wear</h2>
          {list(plan.safety.wear)}
        </section>
        <section>
          <h2 className="section-title">Must be at hand</h2>
          {plan.safety.atHand.length > 0 ? list(plan.safety.atHand) : <p className="doubt">Nothing is named yet.</p>}
        </section>
      </div>
      <h2 className="section-title">Substances in use</h2>
      <table className="ruled substances">
        <tbody>
          {sheet.substances.map((substance) => (
            <tr key={substance.id}>
              <th scope="row">
                <b>{substance.name}</b>
                <span className={substance.hazards!.signal === 'danger' ? 'danger' : 'doubt'}>{substance.hazards!.signal}</span>
              </th>
              <td className="signs">
                {substance.hazards!.pictograms.map((code) => (
                  <Pictogram key={code} code={code} />
                ))}
              </td>
              <td>
                {substance.caution && <b>{substance.caution} </b>}
                <span className="quiet">{substance.hazards!.statements.join('. ')}.</span>
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
          <h2 className="section-title">Dangers of the work</h2>
          <ul>
            {sheet.dangers.map(({ words, steps }) => (
              <li key={words}>
                {words} <span className="quiet">{steps.join(', ')}</span>
              </li>
            ))}
          </ul>
        </section>
        <section>
          <h2 className="section-title">If something happens</h2>
          <p>Call the person in charge at once, whatever it is.</p>
          {list(measures)}
          <h2 className="section-title">Where it goes afterwards</h2>
          <ul>
            {sheet.waste.map(({ stream, substances }) => (
              <li key={stream}>
                <b>{stream}:</b> {substances.join(', ')}
              </li>
            ))}
          </ul>
        </section>
      </div>
    </article>
  )
}
