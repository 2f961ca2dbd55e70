import { typedFor } from '../plan/typedFor'
import type { Plan } from '../plan/plan'
import { readHeld } from '../substance/heldById'

/** Partition coefficients that an author has written, by the id of the substance. */
export type WrittenK = ReadonlyMap<string, number>

const none: WrittenK = new Map()
const known = new WeakMap<Plan['steps'], readonly WrittenK[]>()

/** For each step the partition coefficients that were written in it or before it: one that is written counts from there on. */
export function writtenK({ steps, substances }: Pick<Plan, 'steps' | 'substances'>): readonly WrittenK[] {
  const found = known.get(steps)
  if (found) return found
  let now = none
  const all = steps.map((step) => {
    const { solutes } = typedFor(step)
    if (Array.isArray(solutes)) {
      const written = solutes.flatMap(({ name, K }): [string, number][] =>
        typeof name === 'string' && typeof K === 'number' && Number.isFinite(K) && K >= 0
          ? [[readHeld(substances, name), K]]
          : [],
      )
      if (written.length > 0) now = new Map([...now, ...written])
    }
    return now
  })
  known.set(steps, all)
  return all
}

export const sameK = (one: WrittenK, other: WrittenK): boolean =>
  one === other || (one.size === other.size && [...one].every(([id, K]) => other.get(id) === K))
