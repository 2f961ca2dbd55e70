'use client'

import { useEffect, useState, type ComponentType } from 'react'
import { State } from '../figures/State'

const all: (() => Promise<unknown>)[] = []

/**
 * A part of the bench that its first step does not need, so that the tablet opens fast. It is fetched soon after (fetchTheRest), while the network is there, and at the latest when it is wanted;
 * where that fails it says so and can be tried again.
 */
export function later<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  // What has come once stands at once.
  let come: ComponentType<P> | undefined
  const fetched = () => load().then((part) => (come = part))
  all.push(fetched)
  return function Later(props: P) {
    const [Part, setPart] = useState(() => come)
    const [failed, setFailed] = useState(false)
    const [turn, setTurn] = useState(0)
    useEffect(() => {
      let gone = false
      fetched()
        .then((part) => !gone && setPart(() => part))
        .catch(() => !gone && setFailed(true))
      return () => {
        gone = true
      }
    }, [turn])
    if (Part) return <Part {...props} />
    if (!failed) return null
    return (
      <div role="alert">
        <State level="doubt">This part of the page has not come yet, and there is no network. What you wrote is kept.</State>
        <button
          type="button"
          className="do"
          onClick={() => {
            setFailed(false)
            setTurn(turn + 1)
          }}
        >
          Try again
        </button>
      </div>
    )
  }
}

/** Fetches every part that has not come yet; what fails is fetched when it is wanted. */
export async function fetchTheRest(): Promise<void> {
  // A part that comes may bring parts of its own.
  for (let done = 0; done < all.length;) {
    const next = all.slice(done)
    done = all.length
    await Promise.all(next.map((load) => load().catch(() => undefined)))
  }
}

/** Loads what stands in a part that comes later, such as its chart, with the rest. */
export function withTheRest<T>(load: () => Promise<T>): () => Promise<T> {
  all.push(load)
  return load
}
