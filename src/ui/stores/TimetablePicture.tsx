'use client'

import { useRef, type KeyboardEvent, type PointerEvent } from 'react'
import type { Slot } from '@/core/timetable/work'
import { clockAt } from './clockAt'

export interface Bar extends Slot {
  title: string
  /** Which station it is at; −1 for none. */
  station: number
}

export interface RowShown {
  bench: number
  members: string
  startMin: number
  endMin: number
  bars: Bar[]
  /** Minutes at which steps were really ended, with their titles; what was done so far. */
  happened: { title: string; fromMin: number; toMin: number }[]
}

interface Props {
  rows: RowShown[]
  closesMin: number
  startsAt: string
  zone: string
  /** Minutes since the session began, where it is on. */
  nowMin: number | undefined
  stations: readonly string[]
  /** Called with every place a row is dragged over; `goesOn` where it is the same drag as before. True where the row was moved. */
  onStart: ((bench: number, startMin: number, goesOn: boolean) => boolean) | undefined
}

const rowPx = 38
const headPx = 44
const labelPx = 150
const widthPx = 950
const byMin = 5

/** Groups down, the clock across: work solid, waiting hatched, stations in a frame, queues dotted. A group’s row is dragged, or moved with the arrow keys, to begin later. */
export function TimetablePicture({ rows, closesMin, startsAt, zone, nowMin, stations, onStart }: Props) {
  const last = Math.max(closesMin, ...rows.map(({ endMin }) => endMin), nowMin ?? 0) + 8
  const perMin = (widthPx - labelPx - 40) / last
  const x = (min: number) => labelPx + min * perMin
  const height = headPx + rows.length * rowPx + 6
  const drag = useRef<{ bench: number; from: number; start: number; moved: boolean }>(undefined)
  const svg = useRef<SVGSVGElement>(null)
  const minutesAt = (event: PointerEvent) => {
    const box = svg.current!.getBoundingClientRect()
    return ((event.clientX - box.left) * (widthPx / box.width)) / perMin
  }
  const snapped = (min: number) => Math.max(0, Math.min(closesMin, Math.round(min / byMin) * byMin))
  const onKey = (row: RowShown) => (event: KeyboardEvent) => {
    const by = event.key === 'ArrowRight' ? byMin : event.key === 'ArrowLeft' ? -byMin : 0
    if (by === 0 || !onStart) return
    event.preventDefault()
    onStart(row.bench, snapped(row.startMin + by), false)
  }
  const hours = Array.from({ length: Math.floor(last / 30) + 1 }, (_each, index) => index * 30)
  return (
    <svg
      ref={svg}
      className="timetable"
      viewBox={`0 0 ${widthPx} ${height}`}
      role="group"
      aria-label="Timetable: groups down, the clock across"
      onPointerMove={(event) => {
        const held = drag.current
        if (held && onStart)
          held.moved = onStart(held.bench, snapped(held.start + minutesAt(event) - held.from), held.moved) || held.moved
      }}
      onPointerUp={() => (drag.current = undefined)}
      onPointerLeave={() => (drag.current = undefined)}
    >
      <defs>
        <pattern id="waits" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="#fff" />
          <rect width="2.6" height="6" className="hatch" />
        </pattern>
        <pattern id="queues" width="4" height="4" patternUnits="userSpaceOnUse">
          <rect width="4" height="4" fill="#fff" />
          <circle cx="1.4" cy="1.4" r="0.9" className="dot" />
        </pattern>
      </defs>
      {hours.map((min) => (
        <g key={min}>
          <line x1={x(min)} x2={x(min)} y1={headPx - 12} y2={height} className="hour" />
          {min % (last > 420 ? 60 : 30) === 0 && (
            <text x={x(min)} y={18} textAnchor="middle" className="clock">
              {clockAt(startsAt, min, zone)}
            </text>
          )}
        </g>
      ))}
      {rows.map((row, index) => {
        const top = headPx + index * rowPx
        return (
          <g
            key={row.bench}
            className={`row${onStart ? ' moves' : ''}`}
            tabIndex={onStart ? 0 : undefined}
            role={onStart ? 'slider' : 'img'}
            aria-label={`Bench ${row.bench}, ${row.members}, begins ${clockAt(startsAt, row.startMin, zone)}, done ${clockAt(startsAt, row.endMin, zone)}`}
            aria-valuenow={onStart ? row.startMin : undefined}
            aria-valuemin={onStart ? 0 : undefined}
            aria-valuemax={onStart ? closesMin : undefined}
            aria-valuetext={onStart ? `begins ${clockAt(startsAt, row.startMin, zone)}` : undefined}
            onKeyDown={onKey(row)}
            onPointerDown={(event) => {
              if (!onStart) return
              event.currentTarget.focus()
              drag.current = { bench: row.bench, from: minutesAt(event), start: row.startMin, moved: false }
            }}
          >
            <rect x={0} y={top} width={widthPx} height={rowPx} className="ground" />
            <line x1={0} x2={widthPx} y1={top + rowPx - 0.5} y2={top + rowPx - 0.5} className="rule" />
            <text x={0} y={top + 23} className="bench">
              {row.bench}
            </text>
            <text x={24} y={top + 23} className="members">
              {row.members.length > 19 ? `${row.members.slice(0, 18)}…` : row.members}
            </text>
            {row.bars.map((bar) => (
              <g key={bar.task}>
                <title>{`${bar.title}, ${clockAt(startsAt, bar.begin, zone)}–${clockAt(startsAt, bar.end, zone)}${bar.station >= 0 ? `, at the ${stations[bar.station]}` : ''}`}</title>
                {bar.begin - bar.ready > 0.5 && (
                  <rect x={x(bar.ready)} width={(bar.begin - bar.ready) * perMin} y={top + 11} height={16} fill="url(#queues)" />
                )}
                <rect
                  x={x(bar.begin)}
                  width={Math.max(0.6, (bar.free - bar.begin) * perMin)}
                  y={bar.station >= 0 ? top + 8 : top + 10}
                  height={bar.station >= 0 ? 22 : 18}
                  className={bar.station < 0 ? 'work' : `station s${bar.station % 4}`}
                />
                {bar.end - bar.free > 0.5 && (
                  <rect x={x(bar.free)} width={(bar.end - bar.free) * perMin} y={top + 10} height={18} fill="url(#waits)" />
                )}
              </g>
            ))}
            {row.happened.map(({ title, fromMin, toMin }) => (
              <g key={title}>
                <title>{`really: ${title}, ${clockAt(startsAt, fromMin, zone)}–${clockAt(startsAt, toMin, zone)}`}</title>
                <line x1={x(fromMin)} x2={x(toMin)} y1={top + 34} y2={top + 34} className="really" />
                <circle cx={x(toMin)} cy={top + 34} r={2.2} className="really-end" />
              </g>
            ))}
            {row.endMin > closesMin + 0.5 && (
              <text x={x(row.endMin) + 5} y={top + 23} className="late">
                +{Math.round(row.endMin - closesMin)}
              </text>
            )}
          </g>
        )
      })}
      <line x1={x(closesMin)} x2={x(closesMin)} y1={30} y2={height} className="closes" />
      <text x={x(closesMin) - 4} y={34} textAnchor="end" className="closes-words">
        the room closes
      </text>
      {nowMin !== undefined && (
        <>
          <line x1={x(nowMin)} x2={x(nowMin)} y1={30} y2={height} className="now" />
          <text x={x(nowMin) + 4} y={34} className="now-words">
            now
          </text>
        </>
      )}
    </svg>
  )
}
