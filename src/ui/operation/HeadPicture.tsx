'use client'

import { CartesianGrid, Line, LineChart, ReferenceArea, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { headsUpTo, windowOf } from '@/core/operation/planners/distilling'
import type { Context, Filled } from '@/core/operation/planners/planner'
import { writeNumber } from '@/core/quantity/write'
import { axis, Chart, chartMargin, inks, ticksFor } from './chart'

/** What a run has read at the head against what was over, receiver after receiver, with the window of this step. */
export function HeadPicture({ context, filled }: { context: Context; filled: Filled }) {
  const readings = headsUpTo(context)
  if (readings.length < 2) return null
  const { lowC, highC } = windowOf(context, filled)
  const mostML = Math.max(...readings.map(({ volumeML }) => volumeML))
  const heads = readings.map(({ headC }) => headC)
  const [coldest, hottest] = [Math.floor(Math.min(lowC, ...heads) - 1), Math.ceil(Math.max(highC, ...heads) + 1)]
  return (
    <Chart
      title="Head as it was read, against all that is over; the window is shaded"
      columns={['mL over', 'head, °C']}
      rows={readings.map(({ volumeML, headC }) => [writeNumber(volumeML, 1), writeNumber(headC, 1)])}
    >
      <ResponsiveContainer width="100%" height={190}>
        <LineChart data={readings} margin={chartMargin} accessibilityLayer={false}>
          <CartesianGrid stroke={inks.rule} vertical={false} />
          <ReferenceArea y1={lowC} y2={highC} fill={inks.band} fillOpacity={1} ifOverflow="hidden" />
          <XAxis
            dataKey="volumeML"
            type="number"
            domain={[0, mostML]}
            ticks={ticksFor(0, mostML)}
            {...axis}
            label={{ value: 'mL over', position: 'insideBottom', offset: -8, fill: inks.graphite, fontSize: 12 }}
          />
          <YAxis {...axis} width={56} domain={[coldest, hottest]} ticks={ticksFor(coldest, hottest)} unit=" °C" />
          <Line
            dataKey="headC"
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
