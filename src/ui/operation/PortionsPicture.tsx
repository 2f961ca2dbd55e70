'use client'

import type { ShakingBlanks } from '@/core/operations/extract/blanks'
import { CartesianGrid, Line, LineChart, ReferenceDot, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { Context } from '@/core/operations/planner'
import { recoveryByPortions } from '@/core/operations/extract/whereItIs'
import { writeNumber } from '@/core/quantity/write'
import { axis, Chart, chartMargin, inks } from './chart'

/** The same volume in more and smaller portions: how much is taken out. */
export function PortionsPicture({ context, filled }: { context: Context; filled: ShakingBlanks }) {
  const points = recoveryByPortions(context, filled)
  const here = points.find(({ portions }) => portions === filled.portions)
  // Where one portion takes all there is no picture to draw.
  if (points.length === 0 || points[0]!.percent > 99) return null
  return (
    <Chart
      title="Taken out, the same volume in so many portions"
      columns={['portions', 'taken out, %']}
      rows={points.map(({ portions, percent }) => [portions, writeNumber(percent, 2)])}
    >
      <ResponsiveContainer width="100%" height={170}>
        <LineChart data={points} margin={chartMargin} accessibilityLayer={false}>
          <CartesianGrid stroke={inks.rule} vertical={false} />
          <XAxis
            dataKey="portions"
            {...axis}
            label={{ value: 'portions', position: 'insideBottom', offset: -8, fill: inks.graphite, fontSize: 12 }}
          />
          <YAxis {...axis} width={52} domain={[(low: number) => Math.floor(Math.min(low, 99)), 100]} unit=" %" />
          <Line
            dataKey="percent"
            stroke={inks.slate}
            strokeWidth={2}
            dot={{ r: 3, fill: inks.slate }}
            activeDot={false}
            isAnimationActive={false}
          />
          {here && <ReferenceDot x={here.portions} y={here.percent} r={7} fill="#fff" stroke={inks.amber} strokeWidth={3} />}
        </LineChart>
      </ResponsiveContainer>
    </Chart>
  )
}
