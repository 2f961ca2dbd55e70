'use client'

import type { SaidBefore } from '@/views/sessions'
import { useEffect, useState } from 'react'
import { call } from '../call'
import { daySchema, wantedDay, type SessionDay } from './sessionDay'

const waitMs = 300

/** What is to be said about a session before it is set: clashes, a day that is past, hours that the plan does not fit. Asked while the days are typed. */
export function useSaidBefore({
  revision,
  section,
  days,
  zone,
}: {
  revision: string
  section: string
  days: readonly SessionDay[]
  zone: string
}): SaidBefore[] {
  const asked = days.every((day) => daySchema.isValidSync(day))
    ? JSON.stringify({ revision, section, days: days.map((day) => wantedDay(day, zone)) })
    : ''
  const [answer, setAnswer] = useState<{ asked: string; said: SaidBefore[] }>({ asked: '', said: [] })
  useEffect(() => {
    if (asked === '') return
    let gone = false
    const soon = setTimeout(() => {
      call<{ said: SaidBefore[] }>('/api/sessions/check', 'POST', JSON.parse(asked))
        .then(({ said }) => !gone && setAnswer({ asked, said }))
        // Said when it is set.
        .catch((error: Error) => !gone && setAnswer({ asked, said: [{ level: 'danger', day: null, words: error.message }] }))
    }, waitMs)
    return () => {
      gone = true
      clearTimeout(soon)
    }
  }, [asked])
  return answer.asked === asked ? answer.said : []
}
