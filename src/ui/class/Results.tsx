'use client'

import { useState, type ReactNode } from 'react'
import { Button } from 'react-bootstrap'
import type { ClassResults, ResultRow } from '@/core/classroom/classResults'
import { writeNumber } from '@/core/quantity/write'
import type { MeltingReading } from '@/core/operations/melt/meltingReading'
import { FigureText } from '../figures/FigureText'
import { State } from '../figures/State'
import { MeltingBars, PercentStrip } from './RangeCharts'

/** The results of a class: one picture per question, with the table behind it, and below what wants a word. Figures only: the readings behind them stay with those who may see them. */
export function Results({ session, results }: { session: string; results: ClassResults }) {
  const [withU, setWithU] = useState(false)
  const { product, recovers, crystallises, melts, rows, medianResult, medianRecovery, shiftC } = results
  const doubted = rows.filter(({ judgement, outlier }) => judgement.level === 'doubt' || judgement.level === 'danger' || outlier)
  const percent = (value: number | null) => (value === null ? '–' : `${writeNumber(100 * value, 0)} %`)
  if (rows.every(({ result, melting }) => result === null && melting === null)) {
    return (
      <p>No bench has a result yet. Yields appear here as soon as a product is weighed, melting ranges when they are read.</p>
    )
  }
  return (
    <>
      <div className="sums">
        <div>
          <b className="fig">{percent(medianResult)}</b>
          <span>
            {recovers
              ? `median recovery of ${product?.name}, from what was put in`
              : 'median yield, from what each bench charged'}
          </span>
        </div>
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
              <th scope="col">limiting, charged</th>
              <th scope="col" className="n">
                crude
              </th>
              <th scope="col" className="n">
                product
              </th>
              <th scope="col" className="chart">
                {recovers ? 'recovered of what was put in' : 'yield of the reaction'}
              </th>
              <th scope="col" className="n">
                {recovers ? 'recovery' : 'yield'}
              </th>
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
                crystallises={crystallises}
                melts={melts}
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
      {rows.some(({ recovered }) => recovered.length > 1) && <GotBack rows={rows} withU={withU} />}
      <p className="quiet key">
        Dashed: the median.{' '}
        {melts && product?.melting && `Shaded: the literature, ${product.melting.lowC}–${product.melting.highC} °C. `}An open
        diamond is doubted.
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
            <p>{row.account}</p>
          </section>
        ))}
      </div>
    </>
  )
}

const rangeText = (melting: MeltingReading | null) =>
  melting ? `${writeNumber(melting.onsetC, 1)}–${writeNumber(melting.clearC, 1)}` : '–'

/** Where a mixture is taken apart: every substance got back, bench by bench. */
function GotBack({ rows, withU }: { rows: ResultRow[]; withU: boolean }) {
  return (
    <table className="ruled got-back" aria-label="Got back, substance by substance">
      <thead>
        <tr>
          <th scope="col">bench</th>
          <th scope="col">substance</th>
          <th scope="col" className="n">
            recovery
          </th>
          <th scope="col" className="n">
            melts, °C
          </th>
          <th scope="col">reading</th>
        </tr>
      </thead>
      <tbody>
        {rows.flatMap(({ bench, recovered }) =>
          recovered.map(({ sample, substance, fraction, melting, judgement }, index) => (
            <tr key={`${bench} ${sample}`}>
              {index === 0 && (
                <th scope="row" rowSpan={recovered.length} className="number">
                  {bench}
                </th>
              )}
              <td>{substance}</td>
              <td className="n">
                {fraction ? <FigureText figure={fraction} factor={100} decimals={0} unit="%" withU={withU} /> : '–'}
              </td>
              <td className="n fig">{rangeText(melting)}</td>
              <td className="verdict">
                <State level={judgement.level}>{judgement.words}</State>
              </td>
            </tr>
          )),
        )}
      </tbody>
    </table>
  )
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
  crystallises,
  melts,
  pictures,
}: {
  row: ResultRow
  withU: boolean
  crystallises: boolean
  melts: boolean
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
      <td className="lines">
        <span className="fig">{limiting.amount}</span>
        <span>{limiting.names}</span>
        {limiting.changed && <small className="doubt">not the plan’s</small>}
        {limiting.asPlanned && <small className="quiet">as planned</small>}
      </td>
      <td className="n">{crude && <FigureText figure={crude} unit="g" withU={withU} />}</td>
      <td className="n">
        {product && <FigureText figure={product.mass} unit="g" withU={withU} />}
        {product && !product.dry && <small className="danger"> wet</small>}
      </td>
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
