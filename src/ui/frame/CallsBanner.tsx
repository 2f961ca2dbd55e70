'use client'

import { Link } from '../page/Link'
import { usePathname } from 'next/navigation'
import { useEffect, useState } from 'react'
import { call } from '../call'

interface OpenCall {
  id: string
  kind: 'hand' | 'incident'
  words: string
  bench: number
  session: string
  title: string
}

const everyMs = 8000

/** What happened at a bench and who asks for a person, on whatever page somebody is who may go there; nothing on the board itself, which shows it. */
export function CallsBanner() {
  const [calls, setCalls] = useState<OpenCall[]>([])
  const path = usePathname()
  useEffect(() => {
    const hear = () => {
      if (document.visibilityState === 'hidden') return
      call<{ calls: OpenCall[] }>('/api/calls', 'GET').then(
        ({ calls: open }) => setCalls(open),
        () => {
          // The next time it is asked again.
        },
      )
    }
    hear()
    const timer = setInterval(hear, everyMs)
    document.addEventListener('visibilitychange', hear)
    return () => {
      clearInterval(timer)
      document.removeEventListener('visibilitychange', hear)
    }
  }, [])
  const elsewhere = calls.filter(({ session }) => path !== `/class/${session}`)
  if (elsewhere.length === 0) return null
  return (
    <div className="calls-banner no-print" role="alert">
      {elsewhere.map(({ id, kind, words, bench, session, title }) => (
        <Link key={id} href={`/class/${session}`} className={kind}>
          <b>
            Bench {bench}, {kind === 'incident' ? 'something happened' : 'hand up'}
          </b>
          {words && `: ${words}`} <span>{title}</span>
        </Link>
      ))}
    </div>
  )
}
