'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'
import type { ClassResults } from '@/core/classroom/classResults'
import { writeBand, writeNumber } from '@/core/quantity/write'
import { BenchRow } from './BenchRow'
import { ArchiveButton } from './ArchiveButton'
import { FurtherResults } from './FurtherResults'
import { MeltingBars, PercentStrip } from './RangeCharts'

/** The results of a class: one picture per question, with the table behind it, and below what wants a word. Figures only: the readings behind them stay with those who may see them. */
export function Results({ session, results, mayRead }: { session: string; results: ClassResults; mayRead: boolean }) {
  const [withU, setWithU] = useState(false)
  const { product, recovers, weighs, weighsCrude, counts, crystallises, melts, rows, medianResult, medianRecovery, shiftC } =
    results
  const recovered = crystallises && rows.some(({ recovery }) => recovery !== null)
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
        {recovered && (
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
                  {weighsCrude && (
                    <th scope="col" className="n">
                      crude
                    </th>
                  )}
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
              {recovered && (
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
              <BenchRow
                key={row.bench}
                row={row}
                withU={withU}
                shown={{ ...results, crystallises: recovered }}
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
      {(counts || melts) && (
        <p className="quiet key">
          {counts && 'Dashed: the median. '}
          {melts && product?.melting && `Shaded: the literature, ${writeBand(product.melting.lowC, product.melting.highC)} °C. `}
          An open diamond is doubted.
        </p>
      )}
      <FurtherResults rows={rows} withU={withU} results={results} />
      <div className="table-tools no-print">
        <Button variant="quiet" aria-pressed={withU} onClick={() => setWithU(!withU)}>
          {withU ? 'Without ±' : 'Show ±'}
        </Button>
        <a className="btn btn-quiet" href={`/api/sessions/${session}/results.csv`} download>
          CSV
        </a>
        <a className="btn btn-quiet" href={`/api/sessions/${session}/figures.csv`} download>
          All figures
        </a>
        {mayRead && (
          <>
            <a className="btn btn-quiet" href={`/api/sessions/${session}/log.csv`} download>
              All entries
            </a>
            <ArchiveButton session={session} />
          </>
        )}
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
