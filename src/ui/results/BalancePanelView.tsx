import type { BalancePanel } from '@/core/classroom/panels/balance'
import { writeNumber } from '@/core/quantity/write'

/** What came back of each part of a mixture: one bar a bench, its parts in a row, what is missing empty. */
export function BalancePanelView({ panel }: { panel: BalancePanel }) {
  const share = (g: number | null, put: number) => (g === null ? 0 : (100 * g) / put)
  return (
    <section tabIndex={0} className="result-panel balance" aria-label={`Mass balance of ${panel.of}`}>
      <h2>
        Mass balance of {panel.of} <small className="quiet">in per cent of what was put in</small>
      </h2>
      <table className="ruled">
        <thead>
          <tr>
            <th scope="col">bench</th>
            <th scope="col" className="chart">
              <span className="visually-hidden">as lengths</span>
            </th>
            {panel.parts.map(({ sample, name, putPercent }) => (
              <th scope="col" className="n" key={sample}>
                {name} <small className="quiet">of {writeNumber(putPercent, 0)} %</small>
              </th>
            ))}
            <th scope="col" className="n">
              missing
            </th>
          </tr>
        </thead>
        <tbody>
          {panel.benches.map(({ bench, putG, got, missingG }) => (
            <tr key={bench}>
              <th scope="row" className="number">
                {bench}
              </th>
              <td aria-hidden="true">
                <span className="stack">
                  {got.map(({ sample, g }, index) => (
                    <i key={sample} className={`kind-${index}`} style={{ width: `${share(g, putG)}%` }} />
                  ))}
                </span>
              </td>
              {got.map(({ sample, g, dry }) => (
                <td key={sample} className="n fig">
                  {g === null ? '–' : `${writeNumber(share(g, putG), 0)} %`}
                  {g !== null && !dry && <small className="danger"> wet</small>}
                </td>
              ))}
              <td className="n fig">{missingG === null ? '–' : `${writeNumber(share(missingG, putG), 0)} %`}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
