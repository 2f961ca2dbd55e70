'use client'

import { CartesianGrid, Line, LineChart, ReferenceArea, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { number, type Context, type Filled } from '@/core/operation/planners/planner'
import { writeNumber } from '@/core/quantity/write'
import { axis, Chart, chartMargin, inks } from './chart'

/** Temperatures that a run has written at this step, with the band they should stay in. */
export function BandPicture({ context, filled }: { context: Context; filled: Filled }) {
  const readings = context.measured?.temperatures[context.step.id] ?? []
  if (readings.length < 2) return null
  const [low, high] = filled.toC === undefined ? [number(filled, 'lowC'), number(filled, 'highC')] : [-40, number(filled, 'toC')]
  return (
    <Chart
      title="Temperature, with the band to hold"
      columns={['after, min', '°C']}
      rows={readings.map(({ atMin, celsius }) => [writeNumber(atMin, 1), writeNumber(celsius, 1)])}
    >
      <ResponsiveContainer width="100%" height={190}>
        <LineChart data={readings} margin={chartMargin} accessibilityLayer={false}>
          <CartesianGrid stroke={inks.rule} vertical={false} />
          <ReferenceArea y1={low} y2={high} fill={inks.band} fillOpacity={1} ifOverflow="hidden" />
          <XAxis
            dataKey="atMin"
            type="number"
            {...axis}
            tickFormatter={(value: number) => value.toFixed(0)}
            label={{ value: 'min', position: 'insideBottom', offset: -8, fill: inks.graphite, fontSize: 12 }}
          />
          <YAxis {...axis} width={56} domain={['auto', 'auto']} unit=" °C" />
          <Line
            dataKey="celsius"
            stroke={inks.slate}
            strokeWidth={2}
            dot={{ r: 4, fill: inks.cobalt }}
            activeDot={false}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </Chart>
  )
}
