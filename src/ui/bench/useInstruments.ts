'use client'

import { useEffect, useState } from 'react'
import type { InstrumentKind, InstrumentReading, KnownInstrument } from '@/devices/line'
import { call } from '../call'

const none: KnownInstrument[] = []
const asked = new Map<string, Promise<KnownInstrument[]>>()

/** The instruments that the server can ask for this run; asked once, and nothing where there are none or no network. */
export function useInstruments(run: string): KnownInstrument[] {
  const [found, setFound] = useState(none)
  useEffect(() => {
    let gone = false
    const asking =
      asked.get(run) ??
      call<{ instruments: KnownInstrument[] }>(`/api/runs/${run}/instruments`, 'GET').then(({ instruments }) => instruments)
    asked.set(run, asking)
    asking.then(
      (all) => !gone && setFound(all),
      () => asked.delete(run),
    )
    return () => {
      gone = true
    }
  }, [run])
  return found
}

/** Asks an instrument what it shows. `begin` is the first look in a place of the plan. */
export const askInstrument = (
  run: string,
  kind: InstrumentKind,
  what: { ask: 'read' | 'begin' | 'tare' | 'ramp'; step: string; slot?: string; fromC?: number; perMin?: number },
): Promise<InstrumentReading> => call<InstrumentReading>(`/api/runs/${run}/instruments/${kind}`, 'POST', what)
