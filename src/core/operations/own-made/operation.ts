import type { OwnOperation } from '../../plan/plan'
import { asWords } from '../../words/words'
import type { Effect, Operation } from '../operation'

const effects: Readonly<Record<NonNullable<OwnOperation['effect']>, Effect>> = {
  stays: {},
  'goes into another vessel': { moves: 'always' },
  'only the product is left': { leaves: 'product' },
  'the vessel was empty': { begins: 'empty' },
}

/** What is known of an operation of the author's own; of what is in the vessel nothing is known after one that does not say it. */
export function ownOperation(own: OwnOperation): Operation {
  return {
    name: own.name,
    danger: own.danger ?? '',
    make: (base) => ({ ...base, kind: 'act', verb: own.name, own, text: asWords(''), handsOnMin: 5, waitMin: 0 }),
    effect: own.effect === undefined ? { unsaid: true } : effects[own.effect],
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
