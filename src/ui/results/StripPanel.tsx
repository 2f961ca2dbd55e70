'use client'

import {
  Bar,
  BarChart,
  Cell,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
} from 'recharts'
import type { Strip } from '@/core/classroom/panels/strips'
import { writeNumber } from '@/core/quantity/write'
import { State } from '../figures/State'
import { colourOf } from './colours'
import { ticksOf } from './ticks'

const rowHeight = 44
const axisHeight = 24
const margin = { top: 0, right: 14, bottom: 0, left: 14 }

/** One kind of result of the class: every bench on one scale, what it is compared with shaded, the median dashed; the figures and their reading beside it. */
export function StripPanel({ strip }: { strip: Strip }) {
  const { title, unit, literature, medians, points } = strip
  const several = medians.length > 1
  const ends = [
    ...points.flatMap(({ low, high }) => [low, high ?? low]),
    ...(literature ? [literature.low, literature.high] : []),
  ]
  const { low, high, ticks, decimals } = ticksOf(Math.min(...ends), Math.max(...ends))
  const ranges = points.some(({ high: upper }) => upper !== null)
  const height = rowHeight * points.length + axisHeight
  const axis = {
    type: 'number',
    domain: [low, high],
    ticks,
    tickFormatter: (value: number) => writeNumber(value, decimals),
    orientation: 'top',
    height: axisHeight,
    tick: { fill: '#4f6065', fontSize: 11.5 },
    axisLine: false,
    tickLine: false,
    allowDataOverflow: true,
  } as const
  const behind = (
    <>
      {literature && literature.low !== literature.high && (
        <ReferenceArea x1={literature.low} x2={literature.high} fill="#dcebe4" fillOpacity={1} />
      )}
      {literature && literature.low === literature.high && <ReferenceLine x={literature.low} stroke="#1d6b4f" strokeWidth={2} />}
      {medians.map(
        ({ sample, value }) => value !== null && <ReferenceLine key={sample} x={value} stroke="#4f6065" strokeDasharray="2 3" />,
      )}
    </>
  )
  const rows = points.map((point, index) => ({
    ...point,
    at: index,
    row: index + 0.5,
    range: [point.low, point.high ?? point.low],
  }))
  return (
    <section tabIndex={0} className={`result-panel one-scale${several ? ' wide' : ''}`} aria-label={title}>
      <h2>
        {title} {unit && <small className="quiet">{unit}</small>}
      </h2>
      <table className="ruled">
        <thead>
          <tr>
            <th scope="col">bench</th>
            {several && <th scope="col">sample</th>}
            <th scope="col" className="chart">
              <span className="visually-hidden">on one scale</span>
            </th>
            <th scope="col" className="n">
              value
            </th>
            <th scope="col">reading</th>
          </tr>
        </thead>
        <tbody>
          {points.map(({ bench, sample, text, level, words, outlier, excluded }, index) => (
            <tr key={`${bench} ${sample}`} style={{ height: rowHeight }}>
              <th scope="row" className="number">
                {bench}
              </th>
              {several && <td>{sample || 'the whole'}</td>}
              {index === 0 && (
                <td className="picture" rowSpan={points.length} aria-hidden="true">
                  <div style={{ marginTop: -axisHeight }}>
                    <ResponsiveContainer width="100%" height={height}>
                      {ranges ? (
                        <BarChart data={rows} layout="vertical" margin={margin} barSize={9} accessibilityLayer={false}>
                          {behind}
                          <XAxis {...axis} />
                          <YAxis type="category" dataKey="at" hide />
                          <Bar dataKey="range" isAnimationActive={false} minPointSize={3}>
                            {rows.map((row) => (
                              <Cell key={row.at} fill={row.excluded ? '#b7c2c0' : colourOf[row.level]} />
                            ))}
                          </Bar>
                        </BarChart>
                      ) : (
                        <ScatterChart margin={margin} accessibilityLayer={false}>
                          {behind}
                          <XAxis {...axis} dataKey="low" />
                          <YAxis type="number" dataKey="row" reversed domain={[0, rows.length]} hide />
                          <Scatter data={rows} isAnimationActive={false} shape={(props: Drawn) => <Point {...props} />} />
                        </ScatterChart>
                      )}
                    </ResponsiveContainer>
                  </div>
                </td>
              )}
              <td className="n fig">{text}</td>
              <td className="verdict" title={words}>
                <div className="clamped">
                  {words && <State level={level}>{words}</State>}
                  {outlier && <small className="doubt"> far out</small>}
                  {excluded && <small className="quiet"> not counted</small>}
                </div>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet key">
        {medians.some(({ value }) => value !== null) &&
          `Dashed: the median, ${medians
            .flatMap(({ sample, value }) =>
              value === null ? [] : [`${several ? `${sample} ` : ''}${writeNumber(value, decimals)}${unit && ` ${unit}`}`],
            )
            .join('; ')}. `}
        {literature &&
          (literature.low === literature.high
            ? `Green line: on record, ${writeNumber(literature.low, decimals)}.`
            : `Shaded: on record, ${writeNumber(literature.low, decimals)}–${writeNumber(literature.high, decimals)}.`)}
      </p>
    </section>
  )
}

interface Drawn {
  cx?: number
  cy?: number
  payload?: { level: keyof typeof colourOf; excluded: boolean }
}

/** A point: filled where it is good, an open diamond where it is doubted, an open ring where it does not count. */
function Point({ cx = 0, cy = 0, payload }: Drawn) {
  const level = payload?.level ?? 'open'
  if (payload?.excluded) return <circle cx={cx} cy={cy} r={5} fill="#fff" stroke="#8b9a98" strokeWidth={2} />
  if (level === 'good' || level === 'open') return <circle cx={cx} cy={cy} r={6} fill={colourOf[level]} />
  return (
    <rect
      x={cx - 5}
      y={cy - 5}
      width={10}
      height={10}
      transform={`rotate(45 ${cx} ${cy})`}
      fill="#fff"
      stroke={colourOf[level]}
      strokeWidth={3}
    />
  )
}
