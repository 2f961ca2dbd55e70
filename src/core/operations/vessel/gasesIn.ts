import { defaultLab, pressureMmHg, type Lab } from '../../lab/lab'
import type { MatterEvent } from '../../matter/events'
import type { Stood, Walk } from '../../matter/walk'
import { noAtoms, plusAtoms, atomsOf, type Thing } from '../../matter/thing'
import { isReactant, substanceOf, type Plan, type Step } from '../../plan/plan'
import { partsUsed } from '../../plan/partsUsed'
import { gases, type GasName } from '../../reaction/gases'
import { gasLitres } from '../../reaction/meetings'
import type { ReactionTable } from '../../reaction/reactionTable'
import type { Context } from '../planner'
import { walkOf } from './standsIn'
import { walkAt } from './stoodAt'

/** A gas that comes off in a step, from what. */
export interface GasAt {
  step: string
  gas: GasName
  /** Litres at 20 °C under the laboratory's pressure; null where nobody can say how much. */
  litres: number | null
  /** What the step puts in, and where it is the plan's own reaction that gives it, what reacts. */
  from: string[]
}

/** Less than this nobody notices, L: 2 mmol. */
const leastGasL = 0.05

/** So much of it that it is told: what is unknown is told as well. */
export const isNoticed = ({ litres }: Pick<GasAt, 'litres'>): boolean => litres === null || litres >= leastGasL

/** Litres of all of them together; null where nobody can say of one. */
export const litresOf = (all: readonly GasAt[]): number | null =>
  all.reduce<number | null>((sum, { litres }) => (sum === null || litres === null ? null : sum + litres), 0)

const named = (Object.keys(gases) as GasName[]).map((name) => ({ name, atoms: atomsOf(gases[name].formula)!.atoms }))

/** The gas of the table that a thing is. */
const gasOfThing = ({ atoms }: Thing): GasName | undefined =>
  atoms === null ? undefined : named.find((each) => noAtoms(plusAtoms(each.atoms, atoms, -1)))?.name

const isGasEvent = (event: MatterEvent): event is MatterEvent & { kind: 'gas' } => event.kind === 'gas'

/** mmol of each gas that leaves in a step of one realisation; null where an amount is unknown. */
function leaving({ events }: Stood): Map<GasName, number | null> {
  const all = new Map<GasName, number | null>()
  for (const { thing, mmol } of events.filter(isGasEvent)) {
    const gas = gasOfThing(thing)
    if (!gas) continue
    const before = all.get(gas)
    all.set(gas, mmol === null || before === null ? null : (before ?? 0) + mmol)
  }
  return all
}

const hasGas = ({ events }: Stood) => events.some(isGasEvent)

/** What leaves at one step of a walk: as much as may at the most. */
function gasAt(plan: Plan, walked: Walk, at: number, lab: Lab): GasAt[] {
  const all = [walked.steps, ...walked.others()].map((steps) => leaving(steps[at]!))
  const names = new Set(all.flatMap((each) => [...each.keys()]))
  return [...names].map((gas) => {
    const amounts = all.map((each) => (each.has(gas) ? each.get(gas)! : 0))
    const most = amounts.reduce<number | null>((sum, each) => (sum === null || each === null ? null : Math.max(sum, each)), 0)
    const step = plan.steps[at]!
    return { step: step.id, gas, litres: most === null ? null : gasLitres(most, pressureMmHg(lab)), from: sourcesOf(plan, step) }
  })
}

/** Every gas that leaves a vessel in a plan, by the walk: as much as may at the most. */
export function gasesIn(plan: Plan, table: ReactionTable, lab: Lab = defaultLab): GasAt[] {
  const walked = walkOf(plan, table, lab)
  if (!walked.steps.some(hasGas)) return []
  return plan.steps.flatMap((_step, at) => gasAt(plan, walked, at, lab))
}

/** The gas that leaves in the step of a planner, by the plan or by what its run has charged and measured: as much as may at the most. */
export function gasHere(context: Context): GasAt[] {
  const { walked, at } = walkAt(context)
  return walked.steps[at] && hasGas(walked.steps[at]) ? gasAt(context.plan, walked, at, context.lab) : []
}

/** What a step puts in; where it puts in nothing, what reacts. */
function sourcesOf(plan: Plan, step: Step): string[] {
  const used = partsUsed(step).flatMap(({ line }) => plan.lines.filter(({ id }) => id === line))
  const lines = used.length > 0 ? used : plan.lines.filter(isReactant)
  return [...new Set(lines.map((line) => substanceOf(plan, line).name))]
}
