import acetanilideFile from '@/demo/plans/acetanilide.json'
import { repeatable } from '@/core/quantity/repeatable'
import type { Plan } from '@/core/plan/plan'
import { settingOut } from '@/core/stores/settingOut'
import { asWritten } from '@/core/timetable/orders'
import { bestTimetable } from '@/core/timetable/search'
import { comesTo, workOf } from '@/core/timetable/settle'
import { simulate } from '@/core/timetable/simulate'
import { tasksOf } from '@/core/timetable/tasksOf'
import { instanceOf, instanceSeeds } from '@/test-support/timetableInstances'

type Report = (what: string, value: number, unit: string, size: string, runs: string) => void
type Timed = (work: () => void, calls: number) => number

const groups = 60
const steps = 40

/** What the stores and a timetable cost at the largest class: sixty groups with forty steps. */
export function benchStores(report: Report, timed: Timed): void {
  const plan = acetanilideFile as unknown as Plan
  const long: Plan = {
    ...plan,
    steps: Array.from({ length: steps }, (_each, index) => ({ ...plan.steps[index % plan.steps.length]!, id: `step-${index}` })),
  }
  const session = {
    id: 's',
    plan: long,
    groups: Array.from({ length: groups }, (_each, index) => ({ bench: index + 1, scale: 1 + (index % 5) / 10 })),
  }
  const size = `${groups} groups, ${steps} steps`
  report(
    'what is set out, in all',
    timed(() => settingOut([session]), 5),
    'ms',
    size,
    'median of 7',
  )

  const stations = [
    { name: 'balance', count: 6 },
    { name: 'melting-point apparatus', count: 4 },
    { name: 'oven place', count: 30 },
    { name: 'signature', count: 3 },
  ]
  const orders = [tasksOf(long.steps, asWritten(long.steps), { stations })]
  const told = Array.from({ length: groups }, () => ({ startMin: 0, order: 0 }))
  const work = workOf({ stations, orders }, told)
  const play = () => simulate(work, { classes: 2_000, closesMin: 480, together: 0.4, random: repeatable(1) })
  report('2,000 simulated classes', timed(play, 1), 'ms', size, 'median of 7')
  report(
    'a timetable after a moved start',
    timed(() => comesTo({ stations, orders }, told), 5),
    'ms',
    size,
    'median of 7',
  )

  let [worstMs, worstGap] = [0, 0]
  const gaps = instanceSeeds.map((seed) => {
    const instance = instanceOf(seed)
    const start = performance.now()
    const { minutes, bound } = bestTimetable(instance, repeatable(seed))
    worstMs = Math.max(worstMs, performance.now() - start)
    worstGap = Math.max(worstGap, minutes / bound.minutes - 1)
    return minutes / bound.minutes - 1
  })
  const middle = gaps.toSorted((a, b) => a - b)[Math.floor(gaps.length / 2)]!
  report('search: median gap to the bound', 100 * middle, '%', '30 classes of 8 to 60 groups', 'seeds fixed')
  report('search: worst gap to the bound', 100 * worstGap, '%', '30 classes of 8 to 60 groups', 'seeds fixed')
  report('search: the slowest', worstMs, 'ms', '30 classes of 8 to 60 groups', 'once each')
}
