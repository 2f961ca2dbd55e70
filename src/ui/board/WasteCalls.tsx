'use client'

import { useEffect, useState } from 'react'
import { call } from '../call'
import { State } from '../figures/State'

interface Full {
  stream: string
  place: string | null
}

const everyMs = 60_000

/** Waste containers that the log says are three quarters full: somebody fetches the next. */
export function WasteCalls({ session }: { session: string }) {
  const [full, setFull] = useState<Full[]>([])
  useEffect(() => {
    let here = true
    const ask = () =>
      void call<{ full: Full[] }>(`/api/sessions/${session}/waste`)
        .then((answer) => here && setFull(answer.full))
        // What was said last stays; it is asked again in a minute.
        .catch(() => undefined)
    ask()
    const timer = setInterval(ask, everyMs)
    return () => {
      here = false
      clearInterval(timer)
    }
  }, [session])
  if (full.length === 0) return null
  return (
    <ul className="waste-calls" aria-label="Containers that are nearly full">
      {full.map(({ stream, place }) => (
        <li key={stream}>
          <State level="danger">
            Waste: {stream}
            {place && `, ${place}`}, is three quarters full
          </State>
        </li>
      ))}
    </ul>
  )
}
