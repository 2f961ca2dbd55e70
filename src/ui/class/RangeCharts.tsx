'use client'

import { Bar, BarChart, CartesianGrid, Cell, ReferenceArea, ReferenceLine, ResponsiveContainer, Scatter, ScatterChart, XAxis, YAxis } from 'recharts'
import type { ResultRow } from './resultRows'

const colour = { good: '#22363a', doubt: '#7c5100', danger: '#a3262a', open: '#4f6065' } as const
const tick = { fill: '#4f6065', fontSize: 12 }
const margin = { top: 6, right: 14, bottom: 0, left: 0 }

/** Yields and recoveries as a strip of points, the median dashed, 100 % drawn through. */
export function PercentStrip({ rows, pick, medianPercent, label }: { rows: ResultRow[]; pick: (row: ResultRow) => number | null; medianPercent: number | null; label: string }) {
  const points = rows.flatMap((row) => {
    const value = pick(row)
    return value === null ? [] : [{ bench: row.bench, value: 100 * value, level: row.results.judgement.level }]
  })
  const top = Math.max(110, ...points.map(({ value }) => Math.ceil(value / 10) * 10))
  return (
    <figure className="picture">
      <figcaption>{label}</figcaption>
      <ResponsiveContainer width="100%" height={30 * rows.length + 40}>
        <ScatterChart margin={margin} accessibilityLayer={false}>
          <CartesianGrid horizontal vertical={false} stroke="#e7eceb" />
          <XAxis type="number" dataKey="value" domain={[0, top]} ticks={[0, 20, 40, 60, 80, 100]} unit=" %" tick={tick} axisLine={{ stroke: '#17262b' }} tickLine={false} />
          <YAxis type="number" dataKey="bench" reversed domain={[0.5, rows.length + 0.5]} ticks={rows.map(({ bench }) => bench)} tick={tick} width={28} axisLine={false} tickLine={false} interval={0} />
          <ReferenceLine x={100} stroke="#17262b" />
          {medianPercent !== null && <ReferenceLine x={medianPercent} stroke="#4f6065" strokeDasharray="2 3" />}
          <Scatter data={points} isAnimationActive={false} shape={(props: { cx?: number; cy?: number; payload?: (typeof points)[number] }) => <Point {...props} />} />
        </ScatterChart>
      </ResponsiveContainer>
    </figure>
  )
}

function Point({ cx = 0, cy = 0, payload }: { cx?: number; cy?: number; payload?: { level: keyof typeof colour } }) {
  const level = payload?.level ?? 'open'
  // A doubted point is an open diamond, so that it differs without its colour.
  return level === 'good' ? (
    <circle cx={cx} cy={cy} r={6} fill={colour.good} />
  ) : (
    <rect x={cx - 5} y={cy - 5} width={10} height={10} transform={`rotate(45 ${cx} ${cy})`} fill="#fff" stroke={colour[level]} strokeWidth={3} />
  )
}

/** Melting ranges as bars on a temperature scale, the literature band behind them. */
export function MeltingBars({ rows, literature }: { rows: ResultRow[]; literature: { lowC: number; highC: number } }) {
  const bars = rows.map(({ bench, results }) => ({
    bench: String(bench),
    range: results.melting ? ([results.melting.onsetC, results.melting.clearC] as [number, number]) : null,
    level: results.judgement.level,
  }))
  const all = bars.flatMap(({ range }) => range ?? [])
  const low = Math.floor(Math.min(literature.lowC - 4, ...all) / 2) * 2
  const high = Math.ceil(Math.max(literature.highC + 2, ...all) / 2) * 2
  return (
    <figure className="picture">
      <figcaption>
        Melting ranges, literature {literature.lowC}–{literature.highC} °C shaded
      </figcaption>
      <ResponsiveContainer width="100%" height={30 * rows.length + 40}>
        <BarChart data={bars} layout="vertical" margin={margin} barSize={9} accessibilityLayer={false}>
          <CartesianGrid horizontal vertical={false} stroke="#e7eceb" />
          <ReferenceArea x1={literature.lowC} x2={literature.highC} fill="#dcebe4" fillOpacity={1} />
          <XAxis type="number" domain={[low, high]} unit=" °C" tick={tick} axisLine={{ stroke: '#17262b' }} tickLine={false} allowDataOverflow tickCount={6} />
          <YAxis type="category" dataKey="bench" tick={tick} width={28} axisLine={false} tickLine={false} interval={0} />
          <Bar dataKey="range" isAnimationActive={false}>
            {bars.map(({ bench, level }) => (
              <Cell key={bench} fill={colour[level]} />
            ))}
          </Bar>
        </BarChart>
      </ResponsiveContainer>
    </figure>
  )
}
