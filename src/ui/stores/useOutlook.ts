'use client'

import { proxy, wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { Outlook, OutlookAsked } from '@/core/timetable/outlook'
import type { TimetableWorker } from '@/workers/timetable'

export type Looking =
  | { state: 'running'; share: number; last: Outlook | undefined }
  | { state: 'found'; found: Outlook }
  | { state: 'refused'; why: string }

/** Changes that follow one another sooner than this ask once, ms. */
const restMs = 150

/** What a timetable comes to, worked out in a worker; what was found last stays until the next is there. A question that is overtaken ends with its worker. */
export function useOutlook(asked: OutlookAsked): Looking {
  const [answer, setAnswer] = useState<Looking>({ state: 'running', share: 0, last: undefined })
  const busy = useRef<Worker>(undefined)
  const key = JSON.stringify(asked)
  useEffect(() => {
    let wanted = true
    const last = (now: Looking) => (now.state === 'found' ? now.found : now.state === 'running' ? now.last : undefined)
    const wait = setTimeout(() => {
      const thread = new Worker(new URL('../../workers/timetable.ts', import.meta.url), { type: 'module' })
      busy.current = thread
      const refused = (why: string) => wanted && setAnswer({ state: 'refused', why })
      // A script that does not load answers nothing, so it must be heard of here.
      thread.addEventListener('error', () => refused('The timetable could not be worked out here. Reload the page to try again.'))
      const remote: Remote<TimetableWorker> = wrap(thread)
      setAnswer((now) => ({ state: 'running', share: 0, last: last(now) }))
      remote
        .run(
          JSON.parse(key) as OutlookAsked,
          proxy((share: number) => {
            if (wanted) setAnswer((now) => (now.state === 'running' ? { ...now, share } : now))
          }),
        )
        .then((found) => {
          if (!wanted) return
          wanted = false
          setAnswer({ state: 'found', found })
          thread.terminate()
        })
        .catch((error: Error) => refused(error.message))
    }, restMs)
    return () => {
      wanted = false
      clearTimeout(wait)
      busy.current?.terminate()
      busy.current = undefined
    }
  }, [key])
  return answer
}
