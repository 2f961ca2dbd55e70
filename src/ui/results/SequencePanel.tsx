import type { ResultRow } from '@/core/classroom/classResults'
import { writeNumber } from '@/core/quantity/write'

/** A sequence: what each preparation gave, and what is left of all together. */
export function SequencePanel({ rows, title }: { rows: readonly ResultRow[]; title: string }) {
  const inIt = rows.filter(({ before, result }) => before.length > 0 && result)
  if (inIt.length === 0) return null
  const titles = [...inIt[0]!.before].reverse().map((each) => each.title)
  return (
    <section tabIndex={0} className="result-panel sequence" aria-label="The whole sequence">
      <h2>
        The whole sequence <small className="quiet">yields multiply</small>
      </h2>
      <table className="ruled">
        <thead>
          <tr>
            <th scope="col">bench</th>
            {[...titles, title].map((each) => (
              <th scope="col" className="n" key={each}>
                {each}
              </th>
            ))}
            <th scope="col" className="chart">
              <span className="visually-hidden">overall</span>
            </th>
            <th scope="col" className="n">
              overall
            </th>
          </tr>
        </thead>
        <tbody>
          {inIt.map(({ bench, before, result }) => {
            const all = [...[...before].reverse().map(({ fraction }) => fraction), result!.fraction.value]
            const overall = all.reduce((product, each) => product * each, 1)
            return (
              <tr key={bench}>
                <th scope="row" className="number">
                  {bench}
                </th>
                {titles.map((each, index) => (
                  <td key={each} className="n fig">
                    {all[index] === undefined || before.length !== titles.length ? '–' : `${writeNumber(100 * all[index], 0)} %`}
                  </td>
                ))}
                <td className="n fig">{writeNumber(100 * result!.fraction.value, 0)} %</td>
                <td aria-hidden="true">
                  <span className="stack">
                    <i className="product" style={{ width: `${Math.min(100, 100 * overall)}%` }} />
                  </span>
                </td>
                <td className="n">
                  <b className="fig">{writeNumber(100 * overall, 0)} %</b>
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </section>
  )
}
