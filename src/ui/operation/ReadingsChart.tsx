'use client'

import { CartesianGrid, Line, LineChart, ReferenceArea, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { writeNumber } from '@/core/quantity/write'
import { axis, Chart, chartMargin, inks, ticksFor } from './chart'

interface Props {
  title: string
  /** What the readings are taken against, as its axis and its column are named: `min`, `mL over`. */
  against: string
  readings: readonly { at: number; celsius: number }[]
  lowC: number
  highC: number
}

/** Temperatures as they were read, with the band or window they should lie in; nothing before there are two. */
export function ReadingsChart({ title, against, readings, lowC, highC }: Props) {
  if (readings.length < 2) return null
  const most = Math.max(...readings.map(({ at }) => at))
  const celsius = readings.map((reading) => reading.celsius)
  const [coldest, hottest] = [Math.floor(Math.min(...celsius, lowC) - 1), Math.ceil(Math.max(...celsius, highC) + 1)]
  return (
    <Chart
      title={title}
      columns={[against, '°C']}
      rows={readings.map((reading) => [writeNumber(reading.at, 1), writeNumber(reading.celsius, 1)])}
    >
      <ResponsiveContainer width="100%" height={190}>
        <LineChart data={[...readings]} margin={chartMargin} accessibilityLayer={false}>
          <CartesianGrid stroke={inks.rule} vertical={false} />
          <ReferenceArea y1={lowC} y2={highC} fill={inks.band} fillOpacity={1} ifOverflow="hidden" />
          <XAxis
            dataKey="at"
            type="number"
            domain={[0, most]}
            ticks={ticksFor(0, most)}
            {...axis}
            label={{ value: against, position: 'insideBottom', offset: -8, fill: inks.graphite, fontSize: 12 }}
          />
          <YAxis {...axis} width={56} domain={[coldest, hottest]} ticks={ticksFor(coldest, hottest)} unit=" °C" />
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
