import { useLayoutEffect, useState } from 'react'

/** Functions that stay the same while what they do is replaced. */
class Latest<T extends object> {
  readonly stable: T

  constructor(private newest: T) {
    const call = (key: keyof T, given: unknown[]) => (this.newest[key] as (...all: unknown[]) => unknown)(...given)
    const keys = Object.keys(newest) as (keyof T)[]
    this.stable = Object.fromEntries(keys.map((key) => [key, (...given: unknown[]) => call(key, given)])) as T
  }

  take(newest: T): void {
    this.newest = newest
  }
}

/** The same functions for the whole life of a component, each doing what its newest version does: what is given them need not be drawn again. */
export function useStable<T extends object>(newest: T): T {
  const [latest] = useState(() => new Latest(newest))
  useLayoutEffect(() => latest.take(newest))
  return latest.stable
}
