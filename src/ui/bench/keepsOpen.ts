'use client'

import { useEffect, useState } from 'react'
import { fetchTheRest } from './later'

/** Whether the page of this bench opens without the network, and what keeps it from doing so. */
export type Keeping = 'not yet' | 'kept' | 'may be cleared' | 'needs https' | 'cannot'

/** Long enough after the first step stands, ms. */
const restAfterMs = 3000

/**
 * Fetches what later steps need while the network is there, and keeps the page and all its parts on this tablet where its browser allows that: over https, or from the tablet itself.
 */
export function useKeepsOpen(): Keeping {
  const [keeping, setKeeping] = useState<Keeping>('not yet')
  useEffect(() => {
    let gone = false
    const keep = async (): Promise<Keeping> => {
      await fetchTheRest()
      if (!window.isSecureContext) return 'needs https'
      if (!('serviceWorker' in navigator)) return 'cannot'
      const { active, installing, waiting } = await navigator.serviceWorker.register('/bench-worker.js', { scope: '/bench' })
      const worker = active ?? waiting ?? installing
      if (!worker) return 'cannot'
      await navigator.serviceWorker.ready
      const parts = performance.getEntriesByType('resource').map(({ name }) => name)
      const { port1, port2 } = new MessageChannel()
      const answered = new Promise<boolean>((resolve) => {
        port1.onmessage = ({ data }: MessageEvent<{ all: boolean }>) => resolve(data.all)
      })
      worker.postMessage({ keep: parts }, [port2])
      if (!(await answered)) return 'not yet'
      const lasts = (await navigator.storage?.persisted?.()) || (await navigator.storage?.persist?.())
      return lasts ? 'kept' : 'may be cleared'
    }
    const soon = setTimeout(
      () =>
        void keep()
          .catch((): Keeping => 'cannot')
          .then((found) => !gone && setKeeping(found)),
      restAfterMs,
    )
    return () => {
      gone = true
      clearTimeout(soon)
    }
  }, [])
  return keeping
}
