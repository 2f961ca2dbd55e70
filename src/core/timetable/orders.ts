import { operationIn } from '../operations/registry'
import type { Step } from '../plan/plan'
import { typedFor } from '../plan/typedFor'

/** An order in which a group may do the steps of a day: those in `beside` are done while the step that they stand after waits by itself. */
export interface Order {
  /** Ids of the steps, in this order. */
  steps: readonly string[]
  beside: readonly string[]
  /** What is different from the plan: a step, and the one whose waiting it uses. */
  moved: readonly { step: string; during: string }[]
}

/** The order that the plan is written in. */
export const asWritten = (steps: readonly Step[]): Order => ({ steps: steps.map(({ id }) => id), beside: [], moved: [] })

/** How long a step must wait by itself for something else to be begun meanwhile, minutes. */
const worthIt = 5

/**
 * Other orders in which the steps of a day can be done: what needs only what was made before (Operation.meanwhile) is done while another step waits by itself. Fields decide, no words:
 * a sample is measured after the last step that makes, weighs or dries it; one that is known by no field stays where it is. What is put away early is put away when only product is handled any more.
 * Each order moves one step; the last moves all that do not stand in each other's way.
 */
export function otherOrders(steps: readonly Step[]): Order[] {
  const moves = steps.flatMap((step, at) => {
    const during = steps.findIndex((host, index) => index !== at && index + 1 !== at && mayWait(steps, at, index) && waits(host))
    return during < 0 ? [] : [{ step: step.id, during: steps[during]!.id }]
  })
  const single = moves.map((move) => ordered(steps, [move]))
  const hosts = new Set<string>()
  const together = moves.filter(({ step, during }) => {
    if (hosts.has(during) || moves.some((other) => other.step === during || other.during === step)) return false
    hosts.add(during)
    return true
  })
  return together.length > 1 ? [...single, ordered(steps, together)] : single
}

const waits = (step: Step) => step.waitMin >= worthIt && !operationIn(step)?.watched

/** Whether the step at `at` may be done while the one at `host` waits. */
function mayWait(steps: readonly Step[], at: number, host: number): boolean {
  const step = steps[at]!
  const kind = operationIn(step)?.meanwhile
  if (kind === undefined) return false
  const between = steps.slice(Math.min(at, host), Math.max(at, host))
  if (kind === 'puts away') return host < at && between.every((each) => operationIn(each)?.leavesProduct)
  const sample = sampleIn(step)
  if (sample === undefined) return false
  // Later it may be measured at any time: what it needs is kept apart. Earlier only after all that makes it.
  return host > at || (madeBefore(steps, host, sample) && between.every((each) => !makes(each, sample)))
}

const madeBefore = (steps: readonly Step[], at: number, sample: string) => steps.slice(0, at).some((each) => makes(each, sample))

const makes = (step: Step, sample: string): boolean =>
  step.kind === 'crystallise' ? step.to === sample : (step.kind === 'weigh' || step.kind === 'dry') && step.sample === sample

function sampleIn(step: Step): string | undefined {
  if (step.kind === 'melt') return step.sample
  const { sample } = typedFor(step)
  return typeof sample === 'string' ? sample : undefined
}

function ordered(steps: readonly Step[], moved: Order['moved']): Order {
  const away = new Set(moved.map(({ step }) => step))
  return {
    steps: steps.flatMap(({ id }) => [
      ...(away.has(id) ? [] : [id]),
      ...moved.filter(({ during }) => during === id).map(({ step }) => step),
    ]),
    beside: moved.map(({ step }) => step),
    moved,
  }
}
