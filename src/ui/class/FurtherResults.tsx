import type { ClassResults, ResultRow } from '@/core/classroom/classResults'
import { inColumns } from '@/core/classroom/inColumns'
import { plusMinusOf } from '@/core/result/outcome'
import { State } from '../figures/State'

/** What the columns above do not show: every other result, bench by bench. */
export function FurtherResults({ rows, withU, results }: { rows: ResultRow[]; withU: boolean; results: ClassResults }) {
  const others = rows.map((row) => ({ bench: row.bench, outcomes: row.outcomes.filter((each) => !inColumns(results, each)) }))
  if (others.every(({ outcomes }) => outcomes.length === 0)) return null
  // What is words alone has no picture below: then it stands open.
  const inWords = others.some(({ outcomes }) => outcomes.some(({ figure, quantity }) => !figure && quantity !== 'test'))
  return (
    <details className="further" open={inWords}>
      <summary className="section-title">Further results, bench by bench</summary>
      <table className="ruled got-back" aria-label="Further results, bench by bench">
        <thead>
          <tr>
            <th scope="col">bench</th>
            <th scope="col">result</th>
            <th scope="col">of</th>
            <th scope="col" className="n">
              value
            </th>
            <th scope="col">reading</th>
          </tr>
        </thead>
        <tbody>
          {others.flatMap(({ bench, outcomes }) =>
            outcomes.map(({ key, quantity, of, from, figure, unit, text, judgement }, index) => (
              <tr key={`${bench} ${key}`}>
                {index === 0 && (
                  <th scope="row" rowSpan={outcomes.length} className="number">
                    {bench}
                  </th>
                )}
                <td>{quantity}</td>
                <td>
                  {of}
                  {from && <small className="quiet">, of {from}</small>}
                </td>
                <td className={unit === '' ? 'fig' : 'n fig'}>
                  {text}
                  {withU && plusMinusOf({ figure, unit })}
                </td>
                <td className="verdict">{judgement && <State level={judgement.level}>{judgement.words}</State>}</td>
              </tr>
            )),
          )}
        </tbody>
      </table>
    </details>
  )
}
