'use client'

import { useSyncExternalStore } from 'react'

const listeners = new Set<() => void>()
let now = 0
let timer: ReturnType<typeof setInterval> | undefined

function subscribe(listener: () => void) {
  listeners.add(listener)
  now = Date.now()
  timer ??= setInterval(() => {
    now = Date.now()
    for (const each of listeners) each()
  }, 1000)
  return () => {
    listeners.delete(listener)
    if (listeners.size === 0) {
      clearInterval(timer)
      timer = undefined
    }
  }
}

/** The time in ms, anew every second, one timer for all clocks of the page; `initial` while the server renders. */
export function useNow(initial: number): number {
  return useSyncExternalStore(
    subscribe,
    () => now || initial,
    () => initial,
  )
}
