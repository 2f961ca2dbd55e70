import { foldClass, type Folded, type RunOfClass } from '@/core/classroom/foldClass'
import type { Plan } from '@/core/plan/plan'
import { slowly } from './slowly'

/** Every run of a class with its state and results, one after the other, so that others are served between them. */
export const foldedClass = (plan: Plan, runs: readonly RunOfClass[]): Promise<Folded[]> =>
  slowly(runs, (run) => foldClass(plan, [run])[0]!)
