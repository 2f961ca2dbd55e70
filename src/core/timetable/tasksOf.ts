import { operationIn } from '../operations/registry'
import type { Step } from '../plan/plan'
import type { Order } from './orders'
import { stepMinutes, type Logged } from './stepMinutes'
import type { Minutes, Station, Task } from './work'

/** How long a signature takes, minutes: usual, nobody has said it. */
export const signingMinutes: Minutes = { least: 1, usual: 2, most: 5 }

/** The station of signatures. */
export const signature = 'signature'

/** What the groups share in a step: as its author says, or else as its operation does. */
export function stationOf(step: Step): string | undefined {
  if (step.station !== undefined) return step.station
  const station = operationIn(step)?.station
  return typeof station === 'function' ? station(step) : station
}

/** The names of all stations that the steps need, signatures where a demonstrator signs. */
export function stationsOf(steps: readonly Step[]): string[] {
  return [
    ...new Set(
      steps.flatMap((step) => {
        const station = stationOf(step)
        return [...(station === undefined ? [] : [station]), ...(step.witness ? [signature] : [])]
      }),
    ),
  ]
}

/**
 * What a group does, in an order. A station of which nobody has said how many there are holds nobody up: it stands in no task.
 */
export function tasksOf(
  steps: readonly Step[],
  order: Order,
  { stations, logged }: { stations: readonly Station[]; logged?: Readonly<Record<string, Logged>> },
): Task[] {
  const index = (name: string | undefined) => {
    const at = stations.findIndex((each) => each.name === name)
    return at < 0 ? null : at
  }
  return order.steps.flatMap((id) => {
    const step = steps.find((each) => each.id === id)!
    const { hands, wait } = stepMinutes(step, logged?.[id])
    const beside = order.beside.includes(id) ? { beside: true as const } : {}
    const task: Task = { step: id, hands, wait, station: index(stationOf(step)), ...beside }
    if (!step.witness) return [task]
    return [task, { step: id, hands: signingMinutes, wait: none, station: index(signature), ...beside }]
  })
}

const none: Minutes = { least: 0, usual: 0, most: 0 }
