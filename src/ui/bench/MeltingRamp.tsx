'use client'

import { useEffect, useState } from 'react'
import type { InstrumentReading } from '@/devices/line'
import { askInstrument, useInstruments } from './useInstruments'

/** So far below the expected range the slow ramp begins, K, and how fast it goes, K/min (docs/chemistry.md). */
const belowK = 15
const perMin = 2
const everyMs = 1000

interface Props {
  run: string
  step: string
  /** Where the literature has the melting range to begin, °C; null where nobody knows. */
  expectedC: number | null
  onFirst: (shown: string) => void
  onSecond: (shown: string) => void
}

/** The block of a melting apparatus, live: the ramp, what it shows, and two big presses. */
export function MeltingRamp({ run, step, expectedC, onFirst, onSecond }: Props) {
  const block = useInstruments(run).find(({ kind }) => kind === 'melting')
  const [running, setRunning] = useState(false)
  const [reading, setReading] = useState<InstrumentReading>()
  const [problem, setProblem] = useState<string>()
  useEffect(() => {
    if (!running) return
    const look = () =>
      askInstrument(run, 'melting', { ask: 'read', step }).then(setReading, (error: Error) => setProblem(error.message))
    const timer = setInterval(() => void look(), everyMs)
    return () => clearInterval(timer)
  }, [running, run, step])
  if (!block) return null
  const start = async () => {
    setProblem(undefined)
    try {
      await askInstrument(run, 'melting', { ask: 'begin', step })
      setReading(
        await askInstrument(run, 'melting', { ask: 'ramp', step, fromC: Math.max(20, (expectedC ?? 100) - belowK), perMin }),
      )
      setRunning(true)
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  const shown = reading && reading.value.toFixed(reading.decimals)
  return (
    <div className="from-instrument">
      {!running && (
        <button type="button" className="plain" onClick={() => void start()}>
          Start the slow ramp on {block.name}
          {block.standIn && <small>, which is simulated</small>}
        </button>
      )}
      {running && shown && (
        <>
          <p className="ramp" role="status">
            <b className="fig">{shown} °C</b> {reading.state}, {perMin} °C a minute
          </p>
          <div className="choice">
            <button type="button" onClick={() => onFirst(shown)}>
              First liquid
            </button>
            <button
              type="button"
              onClick={() => {
                onSecond(shown)
                setRunning(false)
              }}
            >
              Last solid gone
            </button>
          </div>
        </>
      )}
      {problem && (
        <p className="hint" role="status">
          {problem}
        </p>
      )}
    </div>
  )
}
