import { expose } from 'comlink'
import { integrate, type Peak } from '@/core/traces/peaks'

/** Peaks of a chromatogram off the page. */
const integration = {
  run(x: number[], y: number[], windowMin?: number): { peaks: Peak[]; baseline: number[] } {
    const { peaks, baseline } = integrate({ x, y }, windowMin)
    return { peaks, baseline: Array.from(baseline) }
  },
}

export type IntegrationWorker = typeof integration

expose(integration)
