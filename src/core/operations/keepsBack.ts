import type { Step } from '../plan/plan'
import { crystallisingKeeps } from './crystallise/keepsBack'
import { distillingKeeps } from './distil/keepsBack'
import { shakingKeeps } from './extract/keepsBack'
import type { KeepsBack } from './kept'
import { operationOf, type OperationKey } from './registry'

/** The operations that keep something back of what goes through them. */
const keepers: Partial<Record<OperationKey, KeepsBack>> = {
  extract: shakingKeeps,
  wash: shakingKeeps,
  crystallise: crystallisingKeeps,
  distil: distillingKeeps,
}

/** How a step keeps product back; undefined where its operation keeps none that can be worked out. */
export function keeperOf(step: Step): KeepsBack | undefined {
  const operation = operationOf(step)
  return operation && keepers[operation]
}
