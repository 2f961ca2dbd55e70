'use client'

import { CartesianGrid, ReferenceArea, ReferenceLine, ResponsiveContainer, Scatter, ScatterChart, XAxis, YAxis } from 'recharts'
import { calibrationHere, type MeltBlanks } from '@/core/operations/melt/planner'
import type { Context } from '@/core/operations/planner'
import { writeNumber } from '@/core/quantity/write'
import { axis, Chart, chartMargin, inks, ticksFor } from './chart'

/** The standards of the apparatus: how far each read from the truth, with the line that corrects between them. */
export function MeltingPicture({ context, filled }: { context: Context; filled: MeltBlanks }) {
  const calibrated = calibrationHere(context, filled)
  if (!calibrated?.line) return null
  const { instrument, line } = calibrated
  const points = instrument.standards.map(({ name, readC, trueC }) => ({ name, readC, offC: readC - trueC }))
  const offAt = (readC: number) => readC - (line.offsetC + line.slope * readC)
  const [low, high] = [Math.floor((line.fromC - 20) / 10) * 10, Math.ceil((line.toC + 20) / 10) * 10]
  return (
    <Chart
      title={`${instrument.name}: reads high by, checked ${instrument.checkedOn}`}
      columns={['standard', 'true, °C', 'read, °C', 'left of the line, °C']}
      rows={instrument.standards.map(({ name, trueC, readC }, index) => [
        name,
        writeNumber(trueC, 1),
        writeNumber(readC, 1),
        writeNumber(line.residuals[index]!.residualC, 2),
      ])}
    >
      <ResponsiveContainer width="100%" height={190}>
        <ScatterChart margin={chartMargin} accessibilityLayer={false}>
          <CartesianGrid stroke={inks.rule} vertical={false} />
          <ReferenceArea x1={filled.lowC - 1} x2={filled.highC + 1} fill={inks.band} fillOpacity={1} />
          <XAxis
            dataKey="readC"
            type="number"
            domain={[low, high]}
            ticks={ticksFor(low, high)}
            {...axis}
            label={{ value: 'read, °C', position: 'insideBottom', offset: -8, fill: inks.graphite, fontSize: 12 }}
          />
          <YAxis
            dataKey="offC"
            type="number"
            {...axis}
            width={52}
            domain={[
              (least: number) => Math.floor(Math.min(0, least) - 0.5),
              (most: number) => Math.ceil(Math.max(0, most) + 0.5),
            ]}
            unit=" °C"
          />
          <ReferenceLine y={0} stroke={inks.graphite} />
          <ReferenceLine
            segment={[
              { x: line.fromC, y: offAt(line.fromC) },
              { x: line.toC, y: offAt(line.toC) },
            ]}
            stroke={inks.slate}
            strokeWidth={2}
          />
          <ReferenceLine
            segment={[
              { x: low, y: offAt(low) },
              { x: line.fromC, y: offAt(line.fromC) },
            ]}
            stroke={inks.slate}
            strokeDasharray="4 4"
          />
          <ReferenceLine
            segment={[
              { x: line.toC, y: offAt(line.toC) },
              { x: high, y: offAt(high) },
            ]}
            stroke={inks.slate}
            strokeDasharray="4 4"
          />
          <Scatter data={points} fill={inks.cobalt} isAnimationActive={false} />
        </ScatterChart>
      </ResponsiveContainer>
    </Chart>
  )
}
