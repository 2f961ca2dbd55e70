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
import type { ResultRow } from '@/core/classroom/classResults'

/** Height of a row of the results table, and of the axis that stands in its head, px. The pictures lie in the table, so they keep its measure. */
export const rowHeight = 54
export const axisHeight = 24

const colour = { good: '#22363a', doubt: '#7c5100', danger: '#a3262a', open: '#4f6065' } as const
const axis = {
  orientation: 'top',
  height: axisHeight,
  tick: { fill: '#4f6065', fontSize: 11.5 },
  axisLine: false,
  tickLine: false,
  interval: 0,
} as const
const margin = { top: 0, right: 12, bottom: 0, left: 12 }

/** Percentages as a strip of points, one row a bench: the median dashed, 100 % drawn through. */
export function PercentStrip({
  rows,
  pick,
  median,
}: {
  rows: ResultRow[]
  pick: (row: ResultRow) => number | null
  median: number | null
}) {
  const points = rows.flatMap((row, index) => {
    const value = pick(row)
    return value === null ? [] : [{ row: index + 0.5, value: 100 * value, level: row.judgement.level }]
  })
  const low = Math.min(40, ...points.map(({ value }) => Math.floor(value / 20) * 20))
  const high = Math.max(110, ...points.map(({ value }) => Math.ceil(value / 10) * 10))
  const ticks = [20, 40, 60, 80, 100].filter((value) => value >= low)
  return (
    <ResponsiveContainer width="100%" height={rowHeight * rows.length + axisHeight}>
      <ScatterChart margin={margin} accessibilityLayer={false}>
        <XAxis type="number" dataKey="value" domain={[low, high]} ticks={ticks} {...axis} />
        <YAxis type="number" dataKey="row" reversed domain={[0, rows.length]} hide />
        <ReferenceLine x={100} stroke="#17262b" />
        {median !== null && <ReferenceLine x={100 * median} stroke="#4f6065" strokeDasharray="2 3" />}
        <Scatter
          data={points}
          isAnimationActive={false}
          shape={(props: { cx?: number; cy?: number; payload?: (typeof points)[number] }) => <Point {...props} />}
        />
      </ScatterChart>
    </ResponsiveContainer>
  )
}

function Point({ cx = 0, cy = 0, payload }: { cx?: number; cy?: number; payload?: { level: keyof typeof colour } }) {
  const level = payload?.level ?? 'open'
  // A doubted point is an open diamond, so that it differs without its colour.
  return level === 'good' ? (
    <circle cx={cx} cy={cy} r={6} fill={colour.good} />
  ) : (
    <rect
      x={cx - 5}
      y={cy - 5}
      width={10}
      height={10}
      transform={`rotate(45 ${cx} ${cy})`}
      fill="#fff"
      stroke={colour[level]}
      strokeWidth={3}
    />
  )
}

/** Melting ranges as bars on a temperature scale, one row a bench, the literature band behind them. */
export function MeltingBars({ rows, literature }: { rows: ResultRow[]; literature: { lowC: number; highC: number } }) {
  const bars = rows.map(({ bench, melting, judgement }) => ({
    bench: String(bench),
    range: melting ? ([melting.onsetC, melting.clearC] as [number, number]) : null,
    level: judgement.level,
  }))
  const all = bars.flatMap(({ range }) => range ?? [])
  const low = Math.floor((Math.min(literature.lowC - 4, ...all) - 1) / 5) * 5
  const high = Math.ceil((Math.max(literature.highC + 2, ...all) + 1) / 5) * 5
  const every = high - low > 30 ? 10 : 5
  const ticks = Array.from({ length: Math.floor((high - low) / every) + 1 }, (_, index) => low + index * every)
  return (
    <ResponsiveContainer width="100%" height={rowHeight * rows.length + axisHeight}>
      <BarChart data={bars} layout="vertical" margin={margin} barSize={9} accessibilityLayer={false}>
        <ReferenceArea x1={literature.lowC} x2={literature.highC} fill="#dcebe4" fillOpacity={1} />
        <XAxis type="number" domain={[low, high]} ticks={ticks} allowDataOverflow {...axis} />
        <YAxis type="category" dataKey="bench" hide />
        <Bar dataKey="range" isAnimationActive={false}>
          {bars.map(({ bench, level }) => (
            <Cell key={bench} fill={colour[level]} />
          ))}
        </Bar>
      </BarChart>
    </ResponsiveContainer>
  )
}
