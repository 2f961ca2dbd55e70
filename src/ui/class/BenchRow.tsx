import type { ReactNode } from 'react'
import type { ClassResults, ResultRow } from '@/core/classroom/classResults'
import { inColumns } from '@/core/classroom/inColumns'
import type { MeltingReading } from '@/core/operations/melt/meltingReading'
import { writeNumber } from '@/core/quantity/write'
import { plusMinusOf } from '@/core/result/outcome'
import { FigureText } from '../figures/FigureText'
import { State } from '../figures/State'

const rangeText = (melting: MeltingReading | null) =>
  melting ? `${writeNumber(melting.onsetC, 1)}–${writeNumber(melting.clearC, 1)}` : '–'

export interface Pictures {
  span: number
  yield: ReactNode
  recovery: ReactNode
  melting: ReactNode
}

/** One bench of the table; the pictures stand beside the first. */
export function BenchRow({
  row: { bench, members, scale, before, limiting, crude, product, result, recovery, melting, judgement, outlier, outcomes },
  withU,
  shown: results,
  pictures,
}: {
  row: ResultRow
  withU: boolean
  shown: ClassResults
  pictures: Pictures | undefined
}) {
  const { weighs, weighsCrude, counts, crystallises, melts } = results
  const range = outcomes.find((outcome) => outcome.quantity === 'melting range' && inColumns(results, outcome))
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
          {weighsCrude && <td className="n">{crude && <FigureText figure={crude} unit="g" withU={withU} />}</td>}
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
          <td className="n fig">
            {rangeText(melting)}
            {withU && range && plusMinusOf({ ...range, unit: '' })}
          </td>
        </>
      )}
      <td className="verdict">
        <State level={judgement.level}>{judgement.words}</State>
      </td>
    </tr>
  )
}
