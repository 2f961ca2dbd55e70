import type { OwnOperation } from '../../plan/plan'
import { asWords } from '../../words/words'
import type { Operation } from '../operation'

/** What is known of an operation of the author's own. */
export function ownOperation(own: OwnOperation): Operation {
  return {
    name: own.name,
    danger: own.danger ?? '',
    make: (base) => ({ ...base, kind: 'act', verb: own.name, own, text: asWords(''), handsOnMin: 5, waitMin: 0 }),
    ...(own.effect === 'only the product is left' ? { leavesProduct: true as const } : {}),
    ...(own.measures ? { measures: own.measures } : {}),
  }
}

const made = new WeakMap<OwnOperation, Operation>()

/** The same, made once for each. */
export function ownOperationOf(own: OwnOperation): Operation {
  const known = made.get(own)
  if (known) return known
  const operation = ownOperation(own)
  made.set(own, operation)
  return operation
}
