'use client'

import { CartesianGrid, Legend, Line, LineChart, ReferenceArea, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'
import type { CurvePanel } from '@/core/classroom/panels/curves'
import { writeNumber } from '@/core/quantity/write'
import { dashes, lineColours } from './colours'
import { ticksOf } from './ticks'

interface Planned {
  volumeML: number
  headC: number
}

/** The distillation curves of all benches over the planned one. */
export function CurvePanelView({ panel, planned }: { panel: CurvePanel; planned: Planned[] }) {
  if (panel.benches.length === 0) return null
  const all = [...planned, ...panel.benches.flatMap(({ points }) => points)]
  const heads = all.map(({ headC }) => headC)
  const { low, high, ticks } = ticksOf(Math.min(...heads), Math.max(...heads))
  return (
    <section tabIndex={0} className="result-panel curves" aria-label={panel.title}>
      <h2>
        {panel.title} <small className="quiet">head, °C, against what has come over, mL at scale 1</small>
      </h2>
      <div aria-hidden="true">
        <ResponsiveContainer width="100%" height={360}>
          <LineChart margin={{ top: 8, right: 20, bottom: 18, left: 0 }} accessibilityLayer={false}>
            <CartesianGrid stroke="#e6ebe9" vertical={false} />
            {panel.windows
              .filter(({ lowC, highC }) => lowC !== null && highC !== null)
              .map(({ title, lowC, highC }) => (
                <ReferenceArea key={title} y1={lowC!} y2={highC!} fill="#dcebe4" fillOpacity={0.7} />
              ))}
            <XAxis
              dataKey="volumeML"
              type="number"
              domain={[0, 'dataMax']}
              tickFormatter={(value: number) => writeNumber(value, 0)}
              tick={{ fontSize: 12 }}
            />
            <YAxis type="number" domain={[low, high]} ticks={ticks} tick={{ fontSize: 12 }} width={44} />
            <Tooltip
              formatter={(value) => `${writeNumber(Number(value), 1)} °C`}
              labelFormatter={(value) => `${writeNumber(Number(value), 1)} mL`}
            />
            <Legend />
            {planned.length > 0 && (
              <Line
                name="planned"
                data={planned}
                dataKey="headC"
                stroke="#9db1b0"
                strokeWidth={6}
                dot={false}
                isAnimationActive={false}
              />
            )}
            {panel.benches.map(({ bench, points }, index) => (
              <Line
                key={bench}
                name={`bench ${bench}`}
                data={points}
                dataKey="headC"
                stroke={lineColours[index % lineColours.length]!}
                strokeDasharray={dashes[index % dashes.length]!}
                strokeWidth={1.8}
                dot={{ r: 2.5 }}
                isAnimationActive={false}
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
      <details>
        <summary>The readings</summary>
        <table className="ruled">
          <thead>
            <tr>
              <th scope="col">bench</th>
              <th scope="col">mL over: head, °C</th>
            </tr>
          </thead>
          <tbody>
            {panel.benches.map(({ bench, points }) => (
              <tr key={bench}>
                <th scope="row" className="number">
                  {bench}
                </th>
                <td className="fig">
                  {points.map(({ volumeML, headC }) => `${writeNumber(volumeML, 1)}: ${writeNumber(headC, 1)}`).join(';  ')}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  )
}
