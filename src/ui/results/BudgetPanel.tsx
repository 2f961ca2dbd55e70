import type { ClassPanels } from '@/core/classroom/panels/panels'
import { writeNumber } from '@/core/quantity/write'

/** How sure each percentage is: a bar a contribution, the largest first. */
export function BudgetPanel({ budgets }: { budgets: ClassPanels['budgets'] }) {
  if (budgets.length === 0) return null
  return (
    <section tabIndex={0} className="result-panel budgets" aria-label="How sure we are">
      <h2>
        How sure we are <small className="quiet">from balances and glassware; twice the standard uncertainty</small>
      </h2>
      <table className="ruled">
        <thead>
          <tr>
            <th scope="col">bench</th>
            <th scope="col" className="n">
              result
            </th>
            <th scope="col" className="chart">
              where it comes from
            </th>
            <th scope="col">working</th>
          </tr>
        </thead>
        <tbody>
          {budgets.map(({ bench, budget }) => (
            <tr key={bench}>
              <th scope="row" className="number">
                {bench}
              </th>
              <td className="n fig">{budget.text}</td>
              <td>
                <span className="stack" aria-hidden="true">
                  {budget.contributions.map(({ words, share }, index) => (
                    <i key={words} className={`kind-${index}`} style={{ width: `${100 * share}%` }} />
                  ))}
                </span>
                <small>
                  {budget.contributions.map(({ words, share }) => `${words} ${writeNumber(100 * share, 0)} %`).join(', ')}
                </small>
              </td>
              <td className="how">{budget.contributions.map(({ words, how }) => `${words}: ${how}`).join('; ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet key">
        Whether the solid was dry and pure is no matter of the balance: that stands in the readings above.
      </p>
    </section>
  )
}
