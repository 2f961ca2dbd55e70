'use client'

import { useMemo, useState, type ReactNode } from 'react'
import { Button } from 'react-bootstrap'
import { lineOf, substanceOf, type Plan } from '@/core/plan/plan'
import { writeFigureText, writeNumber } from '@/core/quantity/write'
import { computedLine } from '@/core/reaction/reactionTable'
import { limitingNames } from '@/core/reaction/working'
import { lossAccount } from '@/core/result/lossAccount'
import { FigureText } from '../figures/FigureText'
import { State } from '../figures/State'
import type { BoardRun } from './Board'
import { MeltingBars, PercentStrip } from './RangeCharts'
import { resultRows, type ResultRow } from './resultRows'

/** The results of a class: one picture per question, with the table behind it, and below what wants a word. */
export function Results({ session, plan, runs }: { session: string; plan: Plan; runs: BoardRun[] }) {
  const [withU, setWithU] = useState(false)
  const product = substanceOf(plan, lineOf(plan, plan.mainProduct))
  const { rows, medianYield, medianRecovery, shiftC } = useMemo(
    () => resultRows(plan, runs, product.melting?.highC),
    [plan, runs, product.melting?.highC],
  )
  const doubted = rows.filter(
    ({ results, outlier }) => results.judgement.level === 'doubt' || results.judgement.level === 'danger' || outlier,
  )
  const percent = (value: number | null) => (value === null ? '–' : `${writeNumber(100 * value, 0)} %`)
  if (rows.every(({ results }) => results.yield === null && results.melting === null)) {
    return (
      <p>No bench has a result yet. Yields appear here as soon as a product is weighed, melting ranges when they are read.</p>
    )
  }
  return (
    <>
      <div className="sums">
        <div>
          <b className="fig">{percent(medianYield)}</b>
          <span>median yield, from what each bench charged</span>
        </div>
        <div>
          <b className="fig">{percent(medianRecovery)}</b>
          <span>median recovery, crystallised</span>
        </div>
        <div>
          <b className="fig">
            {doubted.length} of {rows.length}
          </b>
          <span>want a word with you</span>
        </div>
        {shiftC !== null && (
          <div>
            <b className="fig">{writeNumber(shiftC, 1)} °C</b>
            <span>shift of the class{Math.abs(shiftC) <= 1 ? '' : ': check the instrument'}</span>
          </div>
        )}
      </div>
      <div className="board-scroll" tabIndex={0} role="region" aria-label="Results, bench by bench">
        <table className="ruled results">
          <thead>
            <tr>
              <th scope="col">bench</th>
              <th scope="col">group</th>
              <th scope="col">limiting, charged</th>
              <th scope="col" className="n">
                crude
              </th>
              <th scope="col" className="n">
                product
              </th>
              <th scope="col" className="chart">
                yield of the reaction
              </th>
              <th scope="col" className="n">
                yield
              </th>
              <th scope="col" className="chart narrow">
                recovery, crystallised
              </th>
              <th scope="col" className="n">
                recovery
              </th>
              <th scope="col" className="chart">
                melting range, °C
              </th>
              <th scope="col" className="n">
                °C
              </th>
              <th scope="col">reading</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, index) => (
              <Row
                key={row.bench}
                row={row}
                withU={withU}
                pictures={
                  index > 0
                    ? undefined
                    : {
                        span: rows.length,
                        yield: (
                          <PercentStrip
                            rows={rows}
                            pick={({ results }) => results.yield?.figure.value ?? null}
                            median={medianYield}
                          />
                        ),
                        recovery: (
                          <PercentStrip
                            rows={rows}
                            pick={({ results }) => results.recovery?.figure.value ?? null}
                            median={medianRecovery}
                          />
                        ),
                        melting: product.melting && <MeltingBars rows={rows} literature={product.melting} />,
                      }
                }
              />
            ))}
          </tbody>
        </table>
      </div>
      <p className="quiet key">
        Dashed: the median. Shaded: the literature{product.melting && `, ${product.melting.lowC}–${product.melting.highC} °C`}. An
        open diamond is doubted.
      </p>
      <div className="table-tools no-print">
        <Button variant="quiet" aria-pressed={withU} onClick={() => setWithU(!withU)}>
          {withU ? 'Without ±' : 'Show ±'}
        </Button>
        <a className="btn btn-quiet" href={`/api/sessions/${session}/results.csv`} download>
          CSV
        </a>
        <Button variant="quiet" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <div className="words-below">
        {doubted.map((row) => (
          <section key={row.bench}>
            <h2 className="section-title">
              Bench {row.bench}, {row.members}
            </h2>
            <p>{lossAccount(row.state, row.results)}</p>
          </section>
        ))}
      </div>
    </>
  )
}

interface Pictures {
  span: number
  yield: ReactNode
  recovery: ReactNode
  melting: ReactNode
}

function Row({
  row: { bench, members, scale, state, results, outlier },
  withU,
  pictures,
}: {
  row: ResultRow
  withU: boolean
  pictures: Pictures | undefined
}) {
  const limiting = computedLine(results.table, results.limiting[0] ?? state.plan.reference)
  const crude = results.crudeYield && state.samples[results.crudeYield.sample]
  const product = results.yield && state.samples[results.yield.sample]
  // The numbers stand in the cells beside each picture, so a reader of the table loses nothing.
  const picture = (which: 'yield' | 'recovery' | 'melting') =>
    pictures && (
      <td className="picture" rowSpan={pictures.span} aria-hidden="true">
        <div>{pictures[which]}</div>
      </td>
    )
  return (
    <tr data-bench={bench}>
      <th scope="row" className="number">
        {bench}
      </th>
      <td>
        <div className="clamped">
          {members}
          {scale !== 1 && <small className="quiet"> scale {scale}</small>}
        </div>
      </td>
      <td className="lines">
        <span className="fig">{limiting.amount && writeFigureText(limiting.amount, 'amount')}</span>
        <span>{limitingNames(state.plan, results.table)}</span>
        {results.limitingChanged && <small className="doubt">not the plan’s</small>}
        {results.notMeasured.includes(limiting.line.id) && <small className="quiet">as planned</small>}
      </td>
      <td className="n">{crude && <FigureText figure={crude.mass} unit="g" withU={withU} />}</td>
      <td className="n">
        {product && <FigureText figure={product.mass} unit="g" withU={withU} />}
        {product && !product.dry && <small className="danger"> wet</small>}
      </td>
      {picture('yield')}
      <td className="n">
        <b>
          {results.yield ? <FigureText figure={results.yield.figure} factor={100} decimals={0} unit="%" withU={withU} /> : '–'}
        </b>
        {outlier && <small className="doubt far">far out</small>}
      </td>
      {picture('recovery')}
      <td className="n">
        {results.recovery ? (
          <FigureText figure={results.recovery.figure} factor={100} decimals={0} unit="%" withU={withU} />
        ) : (
          '–'
        )}
      </td>
      {picture('melting')}
      <td className="n fig">
        {results.melting ? `${writeNumber(results.melting.onsetC, 1)}–${writeNumber(results.melting.clearC, 1)}` : '–'}
      </td>
      <td className="verdict">
        <State level={results.judgement.level}>{results.judgement.words}</State>
      </td>
    </tr>
  )
}
