import { startTransition, useEffect, useState } from 'react'

/** The value while nothing is being typed; while something is, the value as it was when the keys last rested for so many milliseconds. */
export function useSettled<T>(value: T, typing: boolean, restMs = 80): T {
  const [rested, setRested] = useState(value)
  useEffect(() => {
    // What follows is never written in one go with the next key: that would make the key wait for it.
    const timer = setTimeout(() => startTransition(() => setRested(value)), typing ? restMs : 0)
    return () => clearTimeout(timer)
  }, [value, typing, restMs])
  return typing ? rested : value
}
