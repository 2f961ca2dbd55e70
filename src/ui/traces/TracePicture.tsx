'use client'

import { useMemo, useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import {
  Bar,
  BarChart,
  CartesianGrid,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts'
import { readNumber } from '@/core/quantity/readQuantity'
import { writeNumber } from '@/core/quantity/write'
import { spanOf, type Trace } from '@/core/traces/trace'
import { ticksOf } from '../results/ticks'
import type { Integrated } from './useIntegration'
import { thin } from './thin'

interface Mark {
  low: number
  high: number
  level: 'good' | 'doubt'
}

/** A spectrum or a chromatogram, with a part of it looked at closely: dragged over with the pointer or typed. Spectra run as chemists draw them, from the high number to the low. */
export function TracePicture({
  trace,
  integrated,
  marks = [],
}: {
  trace: Trace
  integrated: Integrated | null
  marks?: readonly Mark[]
}) {
  const whole = useMemo((): [number, number] => {
    const [least, most] = spanOf(trace.x)
    // Peaks at the ends of a table must not lie in the frame.
    const beside = trace.peaksOnly ? 0.04 * (most - least || 1) : 0
    return [least - beside, most + beside]
  }, [trace])
  const [range, setRange] = useState<[number, number]>(whole)
  const [drag, setDrag] = useState<{ from: number; to: number } | null>(null)
  const [typed, setTyped] = useState({ from: '', to: '' })
  const points = useMemo(() => thin(trace.x, trace.y, ...range), [trace, range])
  const base = useMemo(
    () => (integrated ? thin(trace.x, integrated.baseline, range[0], range[1], 300) : []),
    [trace, integrated, range],
  )
  const backwards = trace.kind === 'infrared' || trace.kind === 'NMR'
  const decimals = whole[1] - whole[0] > 100 ? 0 : 2
  const across = ticksOf(...range)
  const [least, most] = spanOf(points.map(({ y }) => y))
  const bottom = trace.peaksOnly ? 0 : least - 0.04 * (most - least)
  const upward = ticksOf(bottom, most)
  const zoom = (a: number, b: number) => {
    const [from, to] = [Math.max(whole[0], Math.min(a, b)), Math.min(whole[1], Math.max(a, b))]
    if (to - from > (whole[1] - whole[0]) / 5000) setRange([from, to])
  }
  const axis = {
    dataKey: 'x',
    type: 'number',
    domain: range,
    reversed: backwards,
    allowDataOverflow: true,
    ticks: across.ticks.filter((value) => value >= range[0] && value <= range[1]),
    tickFormatter: (value: number) => writeNumber(value, across.decimals),
    tick: { fontSize: 12 },
  } as const
  const y = (
    <YAxis
      type="number"
      domain={[bottom, most + 0.06 * (most - bottom)]}
      ticks={upward.ticks.filter((value) => value >= bottom && value <= most + 0.06 * (most - bottom))}
      allowDataOverflow
      width={56}
      tick={{ fontSize: 11 }}
      tickFormatter={(value: number) => String(Number(value.toPrecision(3)))}
    />
  )
  const at = (event: { activeLabel?: string | number | undefined } | null) => {
    const value = Number(event?.activeLabel)
    return Number.isFinite(value) ? value : null
  }
  return (
    <div className="trace">
      <div aria-hidden="true" className="picture">
        <ResponsiveContainer width="100%" height={320}>
          {trace.peaksOnly ? (
            <BarChart data={points} margin={{ top: 20, right: 12, bottom: 4, left: 0 }} accessibilityLayer={false} barSize={2}>
              <XAxis {...axis} />
              {y}
              <Bar dataKey="y" fill="#22363a" isAnimationActive={false} />
            </BarChart>
          ) : (
            <LineChart
              data={points}
              margin={{ top: 20, right: 12, bottom: 4, left: 0 }}
              accessibilityLayer={false}
              onMouseDown={(event) => {
                const value = at(event)
                if (value !== null) setDrag({ from: value, to: value })
              }}
              onMouseMove={(event) => {
                const value = at(event)
                if (drag && value !== null) setDrag({ ...drag, to: value })
              }}
              onMouseUp={() => {
                if (drag) zoom(drag.from, drag.to)
                setDrag(null)
              }}
            >
              <CartesianGrid stroke="#eef2f1" vertical={false} />
              {marks.map(({ low, high, level }) => (
                <ReferenceArea
                  key={`${low} ${high}`}
                  x1={low}
                  x2={high}
                  fill={level === 'good' ? '#dcebe4' : '#f3e6d2'}
                  fillOpacity={0.8}
                  ifOverflow="hidden"
                />
              ))}
              {integrated?.peaks.map(({ at: top }, index) => (
                <ReferenceLine
                  key={top}
                  x={top}
                  stroke="#a4560a"
                  strokeDasharray="2 4"
                  label={{ value: String(index + 1), position: 'top', fontSize: 11 }}
                  ifOverflow="hidden"
                />
              ))}
              {drag && <ReferenceArea x1={drag.from} x2={drag.to} fill="#a9bede" fillOpacity={0.5} />}
              <XAxis {...axis} />
              {y}
              <Line dataKey="y" stroke="#22363a" strokeWidth={1.4} dot={false} isAnimationActive={false} />
              {base.length > 0 && (
                <Line data={base} dataKey="y" stroke="#a4560a" strokeWidth={1} dot={false} isAnimationActive={false} />
              )}
            </LineChart>
          )}
        </ResponsiveContainer>
      </div>
      <form
        className="zoom no-print"
        onSubmit={(event) => {
          event.preventDefault()
          const [from, to] = [readNumber(typed.from), readNumber(typed.to)]
          if (from.ok && to.ok) zoom(from.value.value, to.value.value)
        }}
      >
        <label>
          from
          <Form.Control
            inputMode="decimal"
            placeholder={writeNumber(range[0], decimals)}
            value={typed.from}
            onChange={(event) => setTyped({ ...typed, from: event.currentTarget.value })}
          />
        </label>
        <label>
          to
          <Form.Control
            inputMode="decimal"
            placeholder={writeNumber(range[1], decimals)}
            value={typed.to}
            onChange={(event) => setTyped({ ...typed, to: event.currentTarget.value })}
          />
        </label>
        <Button type="submit" variant="quiet">
          Look closely
        </Button>
        <Button variant="quiet" disabled={range[0] === whole[0] && range[1] === whole[1]} onClick={() => setRange(whole)}>
          All of it
        </Button>
        <small className="quiet">{trace.xUnit.toLowerCase()}; drag over the picture to look closely</small>
      </form>
    </div>
  )
}
