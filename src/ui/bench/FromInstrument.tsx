'use client'

import { useState } from 'react'
import type { InstrumentKind, InstrumentReading } from '@/devices/line'
import { hasSerial, readSerial } from './serialBalance'
import { askInstrument, useInstruments } from './useInstruments'

interface Props {
  run: string
  step: string
  slot: string
  kind: InstrumentKind
  onRead: (reading: InstrumentReading) => void
}

/** A figure is read from an instrument with one press; one that still moves is waited for. What is typed is always possible. */
export function FromInstrument({ run, step, slot, kind, onRead }: Props) {
  const known = useInstruments(run).filter((each) => each.kind === kind)
  const [said, setSaid] = useState<string>()
  const [busy, setBusy] = useState(false)
  const [begun, setBegun] = useState(false)
  const take = async (read: () => Promise<InstrumentReading>) => {
    setBusy(true)
    setSaid(undefined)
    try {
      const reading = await read()
      if (reading.state === 'moving')
        return setSaid(`It still moves: ${reading.value.toFixed(reading.decimals)}. Wait, then read again.`)
      onRead(reading)
    } catch (error) {
      setSaid((error as Error).message)
    } finally {
      setBusy(false)
    }
  }
  const serial = kind === 'balance' && hasSerial()
  if (known.length === 0 && !serial) return null
  return (
    <div className="from-instrument">
      {known.map(({ name, standIn }) => (
        <button
          key={name}
          type="button"
          className="plain"
          disabled={busy}
          onClick={() =>
            void take(async () => {
              const reading = await askInstrument(run, kind, { ask: begun ? 'read' : 'begin', step, slot })
              setBegun(true)
              return reading
            })
          }
        >
          Read {name}
          {standIn && <small>, which is simulated</small>}
        </button>
      ))}
      {serial && (
        <button type="button" className="plain" disabled={busy} onClick={() => void take(readSerial)}>
          Read the balance at this tablet
        </button>
      )}
      {said && (
        <p className="hint" role="status">
          {said}
        </p>
      )}
    </div>
  )
}
