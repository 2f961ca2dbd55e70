'use client'

import { useMemo, useState, type ReactNode } from 'react'
import { Button } from 'react-bootstrap'
import { mainResult, mainSubstance, type Plan } from '@/core/plan/plan'
import { writeFigureText, writeNumber } from '@/core/quantity/write'
import { computedLine } from '@/core/reaction/reactionTable'
import { limitingNames } from '@/core/reaction/working'
import type { MeltingReading } from '@/core/result/meltingReading'
import { lossAccount } from '@/core/result/lossAccount'
import { FigureText } from '../figures/FigureText'
import { State } from '../figures/State'
import type { BoardRun } from './Board'
import { MeltingBars, PercentStrip } from './RangeCharts'
import { resultRows, type ResultRow } from './resultRows'

/** The results of a class: one picture per question, with the table behind it, and below what wants a word. */
export function Results({ session, plan, runs }: { session: string; plan: Plan; runs: BoardRun[] }) {
  const [withU, setWithU] = useState(false)
  const product = mainSubstance(plan)
  const recovers = mainResult(plan)?.recovery !== undefined
  const crystallises = plan.steps.some(({ kind }) => kind === 'crystallise')
  const melts = plan.steps.some(({ kind }) => kind === 'melt')
  const { rows, medianYield, medianRecovery, shiftC } = useMemo(
    () => resultRows(plan, runs, product?.melting?.highC),
    [plan, runs, product?.melting?.highC],
  )
  const doubted = rows.filter(
    ({ results, outlier }) => results.judgement.level === 'doubt' || results.judgement.level === 'danger' || outlier,
  )
  const percent = (value: number | null) => (value === null ? '–' : `${writeNumber(100 * value, 0)} %`)
  if (rows.every(({ results }) => results.result === null && results.melting === null)) {
    return (
      <p>No bench has a result yet. Yields appear here as soon as a product is weighed, melting ranges when they are read.</p>
    )
  }
  return (
    <>
      <div className="sums">
        <div>
          <b className="fig">{percent(medianYield)}</b>
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
                          <PercentStrip
                            rows={rows}
                            pick={({ results }) => results.result?.figure.value ?? null}
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
                        melting: product?.melting && <MeltingBars rows={rows} literature={product.melting} />,
                      }
                }
              />
            ))}
          </tbody>
        </table>
      </div>
      {(plan.recoveries?.length ?? 0) > 1 && <GotBack rows={rows} withU={withU} />}
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
            <p>{lossAccount(row.state, row.results)}</p>
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
        {rows.flatMap(({ bench, results }) =>
          results.recovered.map(({ recovery, substance, percentage, melting, judgement }, index) => (
            <tr key={`${bench} ${recovery.sample}`}>
              {index === 0 && (
                <th scope="row" rowSpan={results.recovered.length} className="number">
                  {bench}
                </th>
              )}
              <td>{substance}</td>
              <td className="n">
                {percentage ? <FigureText figure={percentage.figure} factor={100} decimals={0} unit="%" withU={withU} /> : '–'}
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
  row: { bench, members, scale, before, state, results, outlier },
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
  const limiting = computedLine(results.table, results.limiting[0] ?? state.plan.reference)
  const crude = results.crude && state.samples[results.crude.sample]
  const product = results.result && state.samples[results.result.sample]
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
        <span className="fig">
          {results.result?.kind === 'recovery' && results.whole
            ? writeFigureText(results.whole, 'mass')
            : limiting.amount && writeFigureText(limiting.amount, 'amount')}
        </span>
        <span>{limitingNames(state.plan, results.table) || limiting.substance.name}</span>
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
          {results.result ? <FigureText figure={results.result.figure} factor={100} decimals={0} unit="%" withU={withU} /> : '–'}
        </b>
        {before.length > 0 && results.result && (
          <small className="quiet overall" title={before.map(({ title }) => title).join(', ')}>
            {' '}
            overall {writeNumber(100 * before.reduce((all, { fraction }) => all * fraction, results.result.figure.value), 0)} %
          </small>
        )}
        {outlier && <small className="doubt far">far out</small>}
      </td>
      {crystallises && (
        <>
          {picture('recovery')}
          <td className="n">
            {results.recovery ? (
              <FigureText figure={results.recovery.figure} factor={100} decimals={0} unit="%" withU={withU} />
            ) : (
              '–'
            )}
          </td>
        </>
      )}
      {melts && (
        <>
          {picture('melting')}
          <td className="n fig">{rangeText(results.melting)}</td>
        </>
      )}
      <td className="verdict">
        <State level={results.judgement.level}>{results.judgement.words}</State>
      </td>
    </tr>
  )
}
