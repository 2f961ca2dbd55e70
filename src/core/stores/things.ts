import { defaultLab, type Lab } from '../lab/lab'
import { scalePlan } from '../edit/scalePlan'
import { isExpendable } from '../operations/taken'
import { contextOf, takenFor } from '../operations/planners'
import { deviceOf } from '../quantity/device'
import { reactionTable } from '../reaction/reactionTable'
import type { Plan } from '../plan/plan'
import { stationsOf } from '../timetable/tasksOf'
import type { ToSetOut } from './settingOut'

/** What is laid out besides substances: used up, of glass and metal for each bench, or shared in the room. */
export interface Thing {
  name: string
  kind: 'used up' | 'each bench' | 'shared'
  unit: 'pieces' | 'g'
  /** What one bench has of it, at the largest scale of the class; null for what is shared. */
  each: number | null
  /** For all benches together; null for what is shared of which nobody has said how many there are. */
  all: number | null
  from: 'plan' | 'usual'
}

interface Counted extends Omit<Thing, 'kind' | 'each' | 'all'> {
  kind: 'used up' | 'each bench'
  many: number
}

/**
 * What is laid out for a session besides substances. Vessels and devices are those that the steps and lines name; the rest is what their operations take. Apparatus that one bench needs in two steps is laid out once;
 * what is used up is added over the steps.
 */
export function thingsFor(
  { plan, groups }: ToSetOut,
  lab: Lab = defaultLab,
  counts: Readonly<Record<string, number>> = {},
): Thing[] {
  const all = new Map<string, Thing>()
  for (const { scale } of groups)
    for (const { many, ...thing } of ofOneBench(scale === 1 ? plan : scalePlan(plan, scale), lab)) {
      const key = `${thing.kind} ${thing.name}`
      const before = all.get(key)
      all.set(key, { ...thing, each: Math.max(before?.each ?? 0, many), all: (before?.all ?? 0) + many })
    }
  const shared = stationsOf(plan.steps).map((name): Thing => ({
    name,
    kind: 'shared',
    unit: 'pieces',
    each: null,
    all: counts[name] ?? null,
    from: 'plan',
  }))
  return [...all.values(), ...shared]
}

function ofOneBench(plan: Plan, lab: Lab): Counted[] {
  const table = reactionTable(plan)
  const found = new Map<string, Counted>()
  const add = (thing: Counted) => {
    const key = `${thing.kind} ${thing.name}`
    const before = found.get(key)?.many ?? 0
    found.set(key, { ...thing, many: thing.kind === 'used up' ? before + thing.many : Math.max(before, thing.many) })
  }
  const glass = (name: string) => add({ name, kind: 'each bench', unit: 'pieces', many: 1, from: 'plan' })
  for (const step of plan.steps) {
    if (step.vessel) glass(`${vesselNames[step.vessel.kind]}, ${step.vessel.sizeML} mL`)
    if ('container' in step) glass(step.container)
    if ('device' in step) measuring(step.device, glass)
    for (const { what, many, unit, which, from } of takenFor(contextOf(plan, table, step, lab)))
      // A funnel for parting layers is laid out in the size that the plan names, where it names one.
      if (!(what === 'separating funnel' && plan.steps.some(({ vessel }) => vessel?.kind === 'separating funnel')))
        add({
          name: which ? `${what}, ${which}` : what,
          kind: isExpendable(what) ? 'used up' : 'each bench',
          unit: unit ?? 'pieces',
          many,
          from,
        })
  }
  for (const { device } of plan.lines) measuring(device, glass)
  return [...found.values()]
}

const vesselNames = {
  'round-bottom': 'round-bottom flask',
  'separating funnel': 'separating funnel',
  conical: 'conical flask',
  vial: 'vial',
} as const

/** What volumes are measured with stands at each bench; balances and apparatus are shared. */
function measuring(device: string | undefined, glass: (name: string) => void): void {
  const found = deviceOf(device)
  if (found?.measures === 'volume') glass(found.name)
}
