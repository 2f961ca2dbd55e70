'use client'

import { useState, type ReactNode } from 'react'
import { Button } from 'react-bootstrap'
import type { ClassResults, ResultRow } from '@/core/classroom/classResults'
import type { Outcome } from '@/core/result/outcome'
import { writeNumber } from '@/core/quantity/write'
import type { MeltingReading } from '@/core/operations/melt/meltingReading'
import { FigureText } from '../figures/FigureText'
import { State } from '../figures/State'
import { MeltingBars, PercentStrip } from './RangeCharts'

/** The results of a class: one picture per question, with the table behind it, and below what wants a word. Figures only: the readings behind them stay with those who may see them. */
export function Results({ session, results }: { session: string; results: ClassResults }) {
  const [withU, setWithU] = useState(false)
  const { product, recovers, weighs, counts, crystallises, melts, rows, medianResult, medianRecovery, shiftC } = results
  const doubted = rows.filter(({ judgement, outlier }) => judgement.level === 'doubt' || judgement.level === 'danger' || outlier)
  const percent = (value: number | null) => (value === null ? '–' : `${writeNumber(100 * value, 0)} %`)
  if (rows.every(({ outcomes }) => outcomes.length === 0)) {
    return <p>No bench has a result yet. Each appears here as soon as it is measured.</p>
  }
  return (
    <>
      <div className="sums">
        {counts && (
          <div>
            <b className="fig">{percent(medianResult)}</b>
            <span>
              {recovers
                ? `median recovery of ${product?.name}, from what was put in`
                : 'median yield, from what each bench charged'}
            </span>
          </div>
        )}
        {crystallises && (
          <div>
            <b className="fig">{percent(medianRecovery)}</b>
            <span>median recovery, crystallised</span>
          </div>
        )}
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
              {counts && <th scope="col">limiting, charged</th>}
              {weighs && (
                <>
                  <th scope="col" className="n">
                    crude
                  </th>
                  <th scope="col" className="n">
                    product
                  </th>
                </>
              )}
              {counts && (
                <>
                  <th scope="col" className="chart">
                    {recovers ? 'recovered of what was put in' : 'yield of the reaction'}
                  </th>
                  <th scope="col" className="n">
                    {recovers ? 'recovery' : 'yield'}
                  </th>
                </>
              )}
              {crystallises && (
                <>
                  <th scope="col" className="chart narrow">
                    recovery, crystallised
                  </th>
                  <th scope="col" className="n">
                    recovery
                  </th>
                </>
              )}
              {melts && (
                <>
                  <th scope="col" className="chart">
                    melting range, °C
                  </th>
                  <th scope="col" className="n">
                    °C
                  </th>
                </>
              )}
              <th scope="col">reading</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, index) => (
              <Row
                key={row.bench}
                row={row}
                withU={withU}
                shown={results}
                pictures={
                  index > 0
                    ? undefined
                    : {
                        span: rows.length,
                        yield: (
                          <PercentStrip rows={rows} pick={({ result }) => result?.fraction.value ?? null} median={medianResult} />
                        ),
                        recovery: (
                          <PercentStrip rows={rows} pick={({ recovery }) => recovery?.value ?? null} median={medianRecovery} />
                        ),
                        melting: product?.melting && <MeltingBars rows={rows} literature={product.melting} />,
                      }
                }
              />
            ))}
          </tbody>
        </table>
      </div>
      <AllResults rows={rows} withU={withU} results={results} />
      {(counts || melts) && (
        <p className="quiet key">
          {counts && 'Dashed: the median. '}
          {melts && product?.melting && `Shaded: the literature, ${product.melting.lowC}–${product.melting.highC} °C. `}An open
          diamond is doubted.
        </p>
      )}
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
            <p>{row.account}</p>
          </section>
        ))}
      </div>
    </>
  )
}

const rangeText = (melting: MeltingReading | null) =>
  melting ? `${writeNumber(melting.onsetC, 1)}–${writeNumber(melting.clearC, 1)}` : '–'

/** What the columns above do not show: every other result, bench by bench. */
function AllResults({ rows, withU, results }: { rows: ResultRow[]; withU: boolean; results: ClassResults }) {
  const others = rows.map((row) => ({ bench: row.bench, outcomes: row.outcomes.filter((each) => !inColumns(results, each)) }))
  if (others.every(({ outcomes }) => outcomes.length === 0)) return null
  return (
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
          outcomes.map(({ key, quantity, of, from, figure, to, unit, text, judgement }, index) => (
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
                {withU && unit === '%' && figure && to === null ? (
                  <FigureText figure={figure} decimals={0} unit="%" withU={withU} />
                ) : (
                  text
                )}
              </td>
              <td className="verdict">{judgement && <State level={judgement.level}>{judgement.words}</State>}</td>
            </tr>
          )),
        )}
      </tbody>
    </table>
  )
}

/** True for what the table shows already: the result that is counted, its crude sample, the crystallisation and the range of the product. */
function inColumns(
  { counts, recovers, crystallises, melts, shown }: ClassResults,
  { quantity, sample, ...from }: Outcome,
): boolean {
  if (quantity === 'yield') return counts && !recovers && (sample === shown.product || sample === shown.crude)
  if (sample !== shown.product) return false
  if (quantity === 'melting range') return melts
  if (quantity !== 'recovery' || !from.counts) return false
  return 'line' in from.counts ? recovers : crystallises
}

interface Pictures {
  span: number
  yield: ReactNode
  recovery: ReactNode
  melting: ReactNode
}

function Row({
  row: { bench, members, scale, before, limiting, crude, product, result, recovery, melting, judgement, outlier },
  withU,
  shown: { weighs, counts, crystallises, melts },
  pictures,
}: {
  row: ResultRow
  withU: boolean
  shown: ClassResults
  pictures: Pictures | undefined
}) {
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
      {counts && (
        <td className="lines">
          <span className="fig">{limiting.amount}</span>
          <span>{limiting.names}</span>
          {limiting.changed && <small className="doubt">not the plan’s</small>}
          {limiting.asPlanned && <small className="quiet">as planned</small>}
        </td>
      )}
      {weighs && (
        <>
          <td className="n">{crude && <FigureText figure={crude} unit="g" withU={withU} />}</td>
          <td className="n">
            {product && <FigureText figure={product.mass} unit="g" withU={withU} />}
            {product && !product.dry && <small className="danger"> wet</small>}
          </td>
        </>
      )}
      {counts && (
        <>
          {picture('yield')}
          <td className="n">
            <b>{result ? <FigureText figure={result.fraction} factor={100} decimals={0} unit="%" withU={withU} /> : '–'}</b>
            {before.length > 0 && result && (
              <small className="quiet overall" title={before.map(({ title }) => title).join(', ')}>
                {' '}
                overall {writeNumber(100 * before.reduce((all, { fraction }) => all * fraction, result.fraction.value), 0)} %
              </small>
            )}
            {outlier && <small className="doubt far">far out</small>}
          </td>
        </>
      )}
      {crystallises && (
        <>
          {picture('recovery')}
          <td className="n">
            {recovery ? <FigureText figure={recovery} factor={100} decimals={0} unit="%" withU={withU} /> : '–'}
          </td>
        </>
      )}
      {melts && (
        <>
          {picture('melting')}
          <td className="n fig">{rangeText(melting)}</td>
        </>
      )}
      <td className="verdict">
        <State level={judgement.level}>{judgement.words}</State>
      </td>
    </tr>
  )
}
