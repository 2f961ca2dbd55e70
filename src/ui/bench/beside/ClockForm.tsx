'use client'

import { useState } from 'react'
import { operationIn } from '@/core/operations/registry'
import type { RunState } from '@/core/run/foldRun'
import type { Step } from '@/core/plan/plan'
import type { PanelProps } from '../panel'
import { clockTime } from '../../time'
import { readingOf } from '../readingOf'
import { ringsAloud, setRingsAloud } from '../useRings'
import { PadEnd } from '../PadEnd'

interface Usual {
  label: string
  minutes?: number
  repeats?: true
}

/** Clocks that are usually wanted in a step. */
function usualIn(step: Step): Usual[] {
  const operation = operationIn(step)
  return [
    ...(operation?.shakes ? [{ label: 'vent', minutes: 1, repeats: true as const }] : []),
    ...(operation?.heats ? [{ label: 'look at the temperature', minutes: 5, repeats: true as const }] : []),
    ...(operation?.final === 'goes in' ? [{ label: 'next portion', minutes: 2, repeats: true as const }] : []),
    { label: 'in ice', minutes: 10 },
    { label: 'since now' },
  ]
}

/** A clock of the group's own: named by what it is for; it counts down, rings again and again, or counts up. */
export function ClockForm({ run, step, zone, write, onClose }: PanelProps & { run: RunState; step: Step; zone: string }) {
  const [label, setLabel] = useState('')
  const [minutes, setMinutes] = useState('')
  const [repeats, setRepeats] = useState(false)
  const [problem, setProblem] = useState<string>()
  const [aloud, setAloud] = useState(ringsAloud)
  const start = (clock: Usual) => {
    write('timer', step.id, clock)
    onClose()
  }
  const take = () => {
    if (label.trim() === '') return setProblem('Say what the clock is for: cooling in ice, venting, boiling down.')
    if (minutes.trim() === '') {
      if (repeats) return setProblem('Say every how many minutes it rings.')
      return start({ label: label.trim() })
    }
    const read = readingOf(minutes, 'min', 1)
    if (!read.ok) return setProblem(read.problem)
    if (read.value.value < 0.1 || read.value.value > 2880) return setProblem('A clock runs for 0.1 to 2880 min.')
    start({ label: label.trim(), minutes: read.value.value, ...(repeats ? { repeats: true } : {}) })
  }
  const own = run.clocks.filter((clock) => clock.own !== undefined)
  return (
    <section className="pad" aria-label="A clock of our own">
      <h2>A clock of our own</h2>
      {own.map((clock) => (
        <p key={clock.own} className="row-line">
          <span>
            {clock.label}
            {clock.everyMin !== undefined && `, every ${clock.everyMin} min`} <small>from {clockTime(clock.from, zone)}</small>
          </span>
          <button type="button" className="strike" onClick={() => write('stopped', clock.step, { of: clock.own! })}>
            Stop it
          </button>
        </p>
      ))}
      <div className="choice" role="group" aria-label="Usual clocks">
        {usualIn(step).map((clock) => (
          <button key={clock.label} type="button" onClick={() => start(clock)}>
            {clock.label}
            {clock.minutes !== undefined && `, ${clock.repeats ? 'every ' : ''}${clock.minutes} min`}
          </button>
        ))}
      </div>
      <input
        className="reason"
        aria-label="What the clock is for"
        placeholder="what it is for"
        maxLength={60}
        value={label}
        onChange={(event) => setLabel(event.currentTarget.value)}
      />
      <input
        className="reason"
        aria-label="Minutes"
        placeholder="minutes; empty counts up"
        inputMode="decimal"
        value={minutes}
        onChange={(event) => setMinutes(event.currentTarget.value)}
      />
      <label className="check">
        <input type="checkbox" checked={repeats} onChange={(event) => setRepeats(event.currentTarget.checked)} />
        <span>It rings again and again</span>
      </label>
      <label className="check">
        <input
          type="checkbox"
          checked={aloud}
          onChange={(event) => {
            setRingsAloud(event.currentTarget.checked)
            setAloud(event.currentTarget.checked)
          }}
        />
        <span>Clocks are heard on this tablet</span>
      </label>
      <PadEnd problem={problem} take="Start the clock" onTake={take} onClose={onClose} />
    </section>
  )
}
