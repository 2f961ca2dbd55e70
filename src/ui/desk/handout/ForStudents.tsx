import { defaultLab } from '@/core/lab/lab'
import { printedPlan } from '@/core/operations/printedPlan'
import { wordFigures } from '@/core/operations/wordFigures'
import { lineName, strengthText } from '@/core/plan/lineName'
import { isCharged, isReactant, type Plan } from '@/core/plan/plan'
import { writeFigureText } from '@/core/quantity/write'
import { dispensed, reactionTable, theoreticalYield } from '@/core/reaction/reactionTable'
import { printed } from '@/core/words/words'
import { PrintedSentence } from '../PrintedSentence'

/** What students take into the laboratory: what goes in, what can hurt, what is done, with room for what they see. */
export function ForStudents({ plan, measures }: { plan: Plan; measures: readonly string[] }) {
  const table = reactionTable(plan)
  const lines = table.lines.filter(({ line }) => isCharged(line))
  const cautions = [...new Map(plan.substances.filter(({ caution }) => caution).map(({ name, caution }) => [name, caution!]))]
  const theory = plan.mainProduct === undefined ? null : theoreticalYield(plan, table)
  const { safety } = plan
  return (
    <>
      {plan.aim && <p className="aim">{plan.aim}</p>}
      <h2>What you need</h2>
      <table className="ruled amounts">
        <thead>
          <tr>
            <th scope="col">Substance</th>
            <th scope="col">Amount</th>
            <th scope="col">mmol</th>
            <th scope="col">Seen</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((computed) => {
            const measured = dispensed(computed)
            const strength = strengthText(computed.line.form)
            const name = lineName(plan, computed.line)
            return (
              <tr key={computed.line.id}>
                <th scope="row">
                  {name}
                  {strength && !name.includes(strength) && `, ${strength}`}
                  {computed.line.note && !name.includes(computed.line.note) && (
                    <span className="quiet"> {computed.line.note}</span>
                  )}
                </th>
                <td className="fig">{measured ? writeFigureText(measured.figure, measured.dimension) : ''}</td>
                <td className="fig">
                  {isReactant(computed.line) && computed.amount ? writeFigureText(computed.amount, 'amount') : ''}
                </td>
                <td className="to-fill" />
              </tr>
            )
          })}
        </tbody>
      </table>
      <h2>Before you begin</h2>
      <ul className="wear">
        {[...safety.wear, ...safety.atHand].map((words) => (
          <li key={words}>{words}</li>
        ))}
        {cautions.map(([name, words]) => (
          <li key={name}>
            <b>{name}:</b> {words}
          </li>
        ))}
      </ul>
      {safety.ownWords && <p>{safety.ownWords}</p>}
      <p className="quiet">
        Read the safety data sheets. What your laboratory and the person in charge say comes before this page.
        {measures.length > 0 && ' Whatever happens, call them at once.'}
      </p>
      <h2>What you do</h2>
      <ol className="printed-steps">
        {printedPlan(plan, table, defaultLab)
          .steps.filter(({ kind }) => kind !== 'safety')
          .map((step) => (
            <li key={step.id}>
              <b>{printed(step.title)}.</b>{' '}
              <PrintedSentence step={step} table={table} figures={wordFigures(plan, table, step, defaultLab)} />
              {step.until && <> Go on {printed(step.until)}.</>}
              {step.kind === 'assemble' && step.checks.length > 0 && <> Look: {step.checks.join('; ')}.</>}
              {step.caution && <span className="caution"> {printed(step.caution)}</span>}
              <span className="to-fill" />
            </li>
          ))}
      </ol>
      {theory && (
        <p>
          Theoretical yield {writeFigureText(theory, 'mass')}.{' '}
          {plan.expectedYield &&
            `A careful group gets ${Math.round(100 * plan.expectedYield.low)} to ${Math.round(100 * plan.expectedYield.high)} % of it.`}
        </p>
      )}
    </>
  )
}
