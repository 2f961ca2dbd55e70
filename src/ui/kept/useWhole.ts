import { useEffect, useState, useSyncExternalStore } from 'react'
import { call } from '../call'
import { WholeKeeper, type Unsent } from './wholeKeeper'

/** A thing that is written whole to its route with every change; see {@link WholeKeeper}. */
export function useWhole<T>(path: string, first: T, checked: (value: unknown) => T) {
  const [keeper] = useState(
    () => new WholeKeeper(first, (value, over) => call(path, 'PUT', { value, over }), unsentOf(path), checked),
  )
  useEffect(() => {
    keeper.start()
    return keeper.stop
  }, [keeper])
  return { ...useSyncExternalStore(keeper.state.subscribe, keeper.state.get, keeper.state.get), write: keeper.write }
}

const unsentOf = (path: string): Unsent => ({
  get: () => sessionStorage.getItem(path),
  put: (value) => sessionStorage.setItem(path, value),
  remove: () => sessionStorage.removeItem(path),
})
