import { add } from './add/operation'
import { assemble } from './assemble/operation'
import { charge } from './charge/operation'
import { cool } from './cool/operation'
import { crystallise } from './crystallise/operation'
import { dispose } from './dispose/operation'
import { distil } from './distil/operation'
import { dry } from './dry/operation'
import { drySolution } from './dry-solution/operation'
import { evaporate } from './evaporate/operation'
import { extract } from './extract/operation'
import { filter } from './filter/operation'
import { heat } from './heat/operation'
import { hold } from './hold/operation'
import { melt } from './melt/operation'
import { pause } from './pause/operation'
import { part } from './part/operation'
import { pour } from './pour/operation'
import { quench } from './quench/operation'
import { reflux } from './reflux/operation'
import { safety } from './safety/operation'
import { send } from './send/operation'
import { store } from './store/operation'
import { test } from './test/operation'
import { wash } from './wash/operation'
import { weigh } from './weigh/operation'
import { stir } from './stir/operation'
import { dissolve } from './dissolve/operation'
import { decant } from './decant/operation'
import { rinse } from './rinse/operation'
import { setPH } from './set-ph/operation'
import { titrate } from './titrate/operation'
import { makeUp } from './make-up/operation'
import { dilute } from './dilute/operation'
import { thinLayer } from './thin-layer/operation'
import { column } from './column/operation'
import { sublime } from './sublime/operation'
import { boil } from './boil/operation'
import { refract } from './refract/operation'
import { ownOperationOf } from './own-made/operation'
import { operationNamed } from '../plan/typedFor'
import type { Step } from '../plan/plan'
import type { Operation } from './operation'

/** The operations of a teaching laboratory, in the order in which a preparation usually needs them. */
export const operations = {
  safety,
  assemble,
  charge,
  reflux,
  heat,
  hold,
  stir,
  dissolve,
  add,
  cool,
  pour,
  quench,
  'set-ph': setPH,
  extract,
  wash,
  part,
  'dry-solution': drySolution,
  decant,
  filter,
  rinse,
  evaporate,
  distil,
  crystallise,
  sublime,
  column,
  dry,
  weigh,
  melt,
  boil,
  refract,
  'thin-layer': thinLayer,
  titrate,
  'make-up': makeUp,
  dilute,
  test,
  send,
  pause,
  dispose,
  store,
} as const satisfies Record<string, Operation>

export type OperationKey = keyof typeof operations

export const operationKeys = Object.keys(operations) as OperationKey[]

/** True for the name of an operation that is known here. */
export const isOperation = (name: string): name is OperationKey => Object.hasOwn(operations, name)

/** The operation that a step is; undefined where it is work of the author's own. */
export function operationOf(step: Step): OperationKey | undefined {
  const name = operationNamed(step)
  return name !== undefined && isOperation(name) ? name : undefined
}

/** What is known of a step's operation; nothing where it is work of the author's own. */
export function operationIn(step: Step): Operation | undefined {
  if (step.kind === 'act' && step.own) return ownOperationOf(step.own)
  const key = operationOf(step)
  return key && operations[key]
}

/** The operations whose name begins with what was typed, then those that have a word that does; all of them for nothing typed. */
export function operationsLike(text: string): OperationKey[] {
  const wanted = text.trim().toLowerCase()
  const nameOf = (key: OperationKey) => operations[key].name.toLowerCase()
  const first = operationKeys.filter((key) => nameOf(key).startsWith(wanted))
  const later = operationKeys.filter(
    (key) =>
      !first.includes(key) &&
      nameOf(key)
        .split(' ')
        .some((word) => word.startsWith(wanted)),
  )
  return [...first, ...later]
}
