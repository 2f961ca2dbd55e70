'use client'

import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts'
import { dryingTrend } from '@/core/measurements/agreement'
import { agreementG, weighingsOf, type DryBlanks } from '@/core/operations/dry/planner'
import type { Context } from '@/core/operations/planner'
import { deviceOf, uncertaintyOf } from '@/core/quantity/device'
import { writeNumber } from '@/core/quantity/write'
import { axis, Chart, chartMargin, inks, ticksFor } from './chart'

/** The weighings of a drying solid, where they are tending to, and how well that is known. */
export function DryingPicture({ context, filled }: { context: Context; filled: DryBlanks }) {
  const weighings = weighingsOf(context, filled)
  if (weighings.length < 2) return null
  const device = deviceOf(context.step.kind === 'dry' ? context.step.device : undefined)
  const agree = agreementG(context, weighings.at(-1)!.massG)
  const trend = dryingTrend(weighings, device ? uncertaintyOf(device, 2) : 0.01, agree)
  const last = weighings.at(-1)!.atMin
  const until = Math.max(last * 1.3, Math.min(trend?.endsAtMin ?? 0, last * 4)) || 10
  const wet = trend ? (weighings[0]!.massG - trend.endG) / Math.exp(-trend.perMin * weighings[0]!.atMin) : 0
  const line = trend
    ? Array.from({ length: 61 }, (_, index) => ({
        atMin: (until * index) / 60,
        trend: trend.endG + wet * Math.exp((-trend.perMin * until * index) / 60),
      }))
    : []
  return (
    <Chart
      title={trend ? `Tending to ${writeNumber(trend.endG, 2)} ± ${writeNumber(trend.uEndG, 2)} g` : 'Weighings so far'}
      columns={['after, min', 'net, g']}
      rows={weighings.map(({ atMin, massG }) => [writeNumber(atMin, 0), writeNumber(massG, 3)])}
    >
      <ResponsiveContainer width="100%" height={190}>
        <ComposedChart data={line} margin={chartMargin} accessibilityLayer={false}>
          <CartesianGrid stroke={inks.rule} vertical={false} />
          <XAxis
            dataKey="atMin"
            type="number"
            domain={[0, until]}
            ticks={ticksFor(0, until)}
            {...axis}
            label={{ value: 'min', position: 'insideBottom', offset: -8, fill: inks.graphite, fontSize: 12 }}
          />
          <YAxis
            type="number"
            {...axis}
            width={60}
            domain={['auto', 'auto']}
            tickFormatter={(value: number) => value.toFixed(2)}
            unit=" g"
          />
          {trend && (
            <ReferenceArea y1={trend.endG - trend.uEndG} y2={trend.endG + trend.uEndG} fill={inks.band} fillOpacity={1} />
          )}
          {trend && <ReferenceLine y={trend.endG} stroke={inks.graphite} strokeDasharray="3 3" />}
          <Line dataKey="trend" stroke={inks.slate} strokeWidth={2} dot={false} activeDot={false} isAnimationActive={false} />
          <Scatter data={weighings} dataKey="massG" fill={inks.cobalt} isAnimationActive={false} />
        </ComposedChart>
      </ResponsiveContainer>
    </Chart>
  )
}
