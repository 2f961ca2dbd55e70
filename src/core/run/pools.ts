import type { Entry } from './entry'

/** What came to a sample from others, and what was given of it, g. */
export interface Pool {
  inG: number
  outG: number
}

/** What was put together, by sample. */
export function poolsOf(standing: readonly Entry[]): Record<string, Pool> {
  const pools: Record<string, Pool> = {}
  for (const entry of standing) {
    if (entry.kind !== 'pooled') continue
    const { sample, way, massG } = entry.body
    const pool = (pools[sample] ??= { inG: 0, outG: 0 })
    pool[way === 'in' ? 'inG' : 'outG'] += massG
  }
  return pools
}

/** What a group goes on with of a sample, g, given what it made of it. */
export const goesOnWithG = (madeG: number, pool: Pool | undefined): number => (pool ? madeG - pool.outG + pool.inG : madeG)

/** The part of what it goes on with that a group made itself, 0 to 1: its share of what comes of it. */
export function ownShare(madeG: number, pool: Pool | undefined): number {
  const all = goesOnWithG(madeG, pool)
  return pool && all > 0 ? Math.min(1, Math.max(0, (madeG - pool.outG) / all)) : 1
}
