import type { Step } from '../plan/plan'
import type { DayPlan } from './record'
import { asWritten, otherOrders, type Order } from '../timetable/orders'
import type { Open, Told } from '../timetable/settle'
import { tasksOf } from '../timetable/tasksOf'
import type { LoggedClasses } from '../timetable/logged'
import type { Station } from '../timetable/work'

/** Everything about a day that does not change while starts are moved. */
export interface Day {
  orders: Order[]
  open: Open
  stations: Station[]
}

/** The steps of a day at a scale. */
export interface AtScale {
  scale: number
  steps: readonly Step[]
}

/** The orders that are open, and the tasks of each group in them: at another scale some steps take longer. */
export function dayOf(
  { steps, scaled, groups }: { steps: readonly Step[]; scaled: readonly AtScale[]; groups: readonly { scale: number }[] },
  stations: readonly { name: string; count: number | null }[],
  logged: LoggedClasses,
): Day {
  const orders = [asWritten(steps), ...otherOrders(steps)]
  // None at all holds everybody up for ever; then nothing is worked out, and the page says so.
  const counted = stations.filter((each): each is Station => each.count !== null && each.count > 0)
  const tasks = (of: readonly Step[]) => orders.map((order) => tasksOf(of, order, { stations: counted, logged: logged.steps }))
  return {
    orders,
    stations: counted,
    open: {
      stations: counted,
      orders: tasks(steps),
      others: scaled.map((each) => tasks(each.steps)),
      kinds: groups.map(({ scale }) => scaled.findIndex((each) => each.scale === scale) + 1),
    },
  }
}

const sameMoves = (one: Order['moved'], other: DayPlan['told'][number]['moved']) =>
  one.length === other.length &&
  one.every(({ step, during }) => other.some((each) => each.step === step && each.during === during))

/** What each bench is told, as it is written down; who was told nothing begins at once, in the order of the plan. An order that the plan no longer has is that of the plan. */
export function toldOf(groups: readonly { bench: number }[], { told }: DayPlan, orders: readonly Order[]): Told[] {
  return groups.map(({ bench }) => {
    const own = told.find((each) => each.bench === bench)
    const order = own ? orders.findIndex(({ moved }) => sameMoves(moved, own.moved)) : 0
    return { startMin: own?.startMin ?? 0, order: Math.max(0, order) }
  })
}

/** The same to be written down. */
export const writtenTold = (
  groups: readonly { bench: number }[],
  told: readonly Told[],
  orders: readonly Order[],
): DayPlan['told'] =>
  told.flatMap(({ startMin, order }, index) =>
    startMin === 0 && order === 0 ? [] : [{ bench: groups[index]!.bench, startMin, moved: [...orders[order]!.moved] }],
  )
