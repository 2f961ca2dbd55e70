import { pressureMmHg, type Lab } from '../lab/lab'
import type { PartUsed } from '../plan/partsUsed'
import type { Plan, Step, Work } from '../plan/plan'
import { typedFor } from '../plan/typedFor'
import { lineOf } from '../plan/plan'
import type { ReactionTable } from '../reaction/reactionTable'
import { broughtBy, chargedIn, joined } from './brought'
import { chargedOf, type Charged } from './charged'
import type { MatterEvent } from './events'
import { meetsIn, type Meets } from './reactions/meets'
import { reactsByTable } from './reactions/met'
import { reactsByPlan } from './reactions/ofPlan'
import { reactsByWater } from './reactions/byWater'
import type { Settling } from './settling'
import { crossed, crossedBack, highest, likely, lowest, spanOf, type Draw, type Known } from './span'
import { emptyBench, sameBench, vesselNamed, type Bench, type Holding, type Vessel } from './state'
import type { Thing } from './thing'
import { thingsOf } from './things'
import { atRest, movesOn } from './verbs'
import type { World } from './world'
import { sameK, writtenK, type WrittenK } from './writtenK'

/** What was measured in a run, as plain figures. */
export interface Readings {
  /** Grams of each weighed sample. */
  samplesG: Readonly<Record<string, number>>
  /** Millilitres of solvent really used, by step. */
  usedML: Readonly<Record<string, number>>
}

/** What an effect is told of its step. */
export interface Doing {
  plan: Plan
  step: Step
  /** What was typed into its planner; what nobody typed is not there. */
  typed: Partial<Work>
  /** The lines that it names, with the part of each, and what they bring. */
  lines: readonly PartUsed[]
  brings: Charged
  bringsOf: (line: string, part: number) => Charged
  readings: Readings | undefined
  /** Grams of the vessel's sample that were weighed, where this step weighs one. */
  lab: Lab
  /** True where a later step holds or heats the same vessel before anything is parted: then the plan's reaction is taken to happen there. */
  heldLater: boolean
  /** Lets everything that is together react, and brings the vessel to rest. */
  reacts: (bench: Bench, how?: Settling) => Bench
  /** Says what stands in the vessels while the step is done, everything that goes in being in. */
  during: (bench: Bench) => void
}

/** What an operation does to matter. It is pure: the bench that it is given is not changed. */
export type MatterEffect = (bench: Bench, doing: Doing, world: World) => Bench

export interface MatterOperation {
  effect: MatterEffect
  /** It heats, holds or stirs: reactions take place in it. */
  holds?: true
  /** It parts, moves or measures what there is. */
  parts?: true
}

/** The effects of all operations, by name; `own` is asked with the step. */
export type Effects = (step: Step) => MatterOperation | undefined

/** A step of a walk in one realisation. */
export interface Stood {
  step: Step
  before: Bench
  during: Bench
  after: Bench
  events: readonly MatterEvent[]
}

/** What goes from step to step besides the bench. */
interface Carried {
  bench: Bench
  doneMmol: number
  met: ReadonlySet<string>
}

export interface Asked {
  plan: Plan
  table: ReactionTable
  lab: Lab
  effects: Effects
  readings?: Readings | undefined
}

/**
 * Walks through a plan, or through a run where its table and readings are given: what stands where before, during and after each step, and what happens in it, in one realisation of what is not known for certain. Nothing is lost: what went in is in the
 * vessels, the waste, the air, or stands as unaccounted.
 */
export function walkOnce({ plan, table, lab, effects, readings }: Asked, draw: Draw): Stood[] {
  const things = thingsOf(plan)
  const mmHg = pressureMmHg(lab)
  const later = heldLater(plan, effects)
  const written = writtenK(plan)
  const rests = draw === likely ? restsOn(plan, table, lab, readings) : undefined
  let now: Carried = { bench: emptyBench, doneMmol: 0, met: nothingMet }
  return plan.steps.map((step, at): Stood => {
    const known = rests && remembered.get(step)
    if (
      known &&
      known.from.bench === now.bench &&
      known.from.doneMmol === now.doneMmol &&
      known.from.met === now.met &&
      known.later === later[at] &&
      sameK(known.written, written[at]!) &&
      same(known.rests, rests)
    ) {
      now = known.to
      return known.stood
    }
    const from = now
    const events: MatterEvent[] = []
    const before = now.bench
    const world: World = { things, mmHg, draw, step: step.id, written: written[at]!, note: (event) => note(events, event) }
    const bringsOf = (line: string, part: number) => chargedOf(plan, table, things, line, part, draw)
    const lines = chargedIn(plan, step)
    const carried = { doneMmol: now.doneMmol, met: now.met }
    // The plan's own reaction runs where something is held, or where what takes part in it goes in; shaking and pouring do not start it again.
    const mayReact = effects(step)?.holds === true || lines.some(({ line }) => takesPart.has(lineOf(plan, line).role))
    let during: Bench | undefined
    const doing: Doing = {
      ...{ plan, step, typed: typedFor(step), lines, bringsOf, readings, lab, heldLater: later[at]! },
      brings: joined(lines.map(({ line, part }) => bringsOf(line, part))),
      during: (bench) => (during = bench),
      reacts: (bench, how) => {
        const byPlan = mayReact ? reactsByPlan(bench, plan, world, carried.doneMmol) : { bench, extentMmol: 0 }
        carried.doneMmol += byPlan.extentMmol
        const byWater = reactsByWater(byPlan.bench, world, things.acidOf)
        const { bench: byTable, met } = reactsByTable(byWater, world, carried.met)
        if (met.some((each) => !carried.met.has(each))) carried.met = new Set([...carried.met, ...met])
        return atRest(byTable, byTable.at, world, how)
      },
    }
    const stands = step.vessel
      ? movesOn(before, { ...vesselOf(step.vessel), kind: step.vessel.kind, sizeML: step.vessel.sizeML })
      : before
    const after = effects(step)?.effect(stands, doing, world) ?? stands
    now = asBefore({ bench: after, ...carried }, rests && lastOf(plan, step.id, rests))
    const stood: Stood = { step, before, during: during ?? after, after, events }
    if (rests) {
      remembered.set(step, { from, to: now, later: later[at]!, written: written[at]!, rests, stood })
      latest.get(plan.lines)?.set(step.id, { to: now, rests })
    }
    return stood
  })
}

/** What a step came to, with all that it rests on: a change of a later step leaves it as it is. */
interface Remembered {
  from: Carried
  to: Carried
  later: boolean
  written: WrittenK
  rests: readonly unknown[]
  stood: Stood
}

const remembered = new WeakMap<Step, Remembered>()

/** What each step of a plan came to last, by its lines: where a change leaves it as it was, all that follows stands. */
const latest = new WeakMap<Plan['lines'], Map<string, Pick<Remembered, 'to' | 'rests'>>>()

function lastOf(plan: Plan, step: string, rests: readonly unknown[]): Carried | undefined {
  const all = latest.get(plan.lines) ?? new Map<string, Pick<Remembered, 'to' | 'rests'>>()
  latest.set(plan.lines, all)
  const found = all.get(step)
  return found && same(found.rests, rests) ? found.to : undefined
}

const asBefore = (now: Carried, last: Carried | undefined): Carried =>
  last && now.doneMmol === last.doneMmol && sameMet(now.met, last.met) && sameBench(now.bench, last.bench) ? last : now

const sameMet = (one: ReadonlySet<string>, other: ReadonlySet<string>) =>
  one === other || (one.size === other.size && [...one].every((each) => other.has(each)))
const nothingMet: ReadonlySet<string> = new Set()
const same = (one: readonly unknown[], other: readonly unknown[]) =>
  one.length === other.length && one.every((each, at) => each === other[at])

/** Everything that a step rests on besides itself and what stood before it. */
const restsOn = (plan: Plan, table: ReactionTable, lab: Lab, readings: Readings | undefined): readonly unknown[] => [
  ...[plan.lines, plan.substances, plan.samples, plan.recoveries, plan.mainProduct, plan.expectedYield, plan.equilibrium],
  ...[lab, readings],
  ...table.lines.flatMap(({ mass, volume, amount }) => [mass?.value, volume?.value, amount?.value]),
]

const takesPart: ReadonlySet<string> = new Set(['reactant', 'reagent', 'catalyst'])

/** What cannot be told is said once in a step. */
function note(events: MatterEvent[], event: MatterEvent): void {
  const said = event.kind === 'cannot be told' && events.some((each) => each.kind === event.kind && each.what === event.what)
  if (!said) events.push(event)
}

const vesselOf = ({ kind, sizeML }: NonNullable<Step['vessel']>) => ({ name: `${kind} ${sizeML} mL` })

/** For each step, whether one that holds or heats follows before anything is parted. */
function heldLater({ steps }: Plan, effects: Effects): boolean[] {
  const later: boolean[] = []
  let held = false
  for (let at = steps.length - 1; at >= 0; at--) {
    later[at] = held
    const { holds, parts } = effects(steps[at]!) ?? {}
    if (parts) held = false
    else if (holds) held = true
  }
  return later
}

/** A walk with what may vary around it. */
export interface Walk {
  /** As it most likely goes. */
  steps: readonly Stood[]
  /** What a thing's amount may be in a vessel, before, during or after a step. */
  amount: (at: number, when: 'before' | 'during' | 'after', vessel: string, thing: Thing) => Known
  /** What comes into the vessel in a step, by itself. */
  comes: (at: number) => Vessel | undefined
  /** What meets in a step. */
  meets: (at: number) => readonly Meets[]
  /** The walk in other realisations, which show how far each amount may go. */
  others: () => readonly (readonly Stood[])[]
}

const edges: readonly Draw[] = [lowest, highest, crossed, crossedBack]

/** What met in each step that was looked at: a step that an edit leaves as it was is the same one. */
const meetings = new WeakMap<Stood, readonly Meets[]>()

/** A function of a step's place that is worked out once for each. */
function once<T>(of: (at: number) => T): (at: number) => T {
  const known = new Map<number, T>()
  return (at) => {
    if (!known.has(at)) known.set(at, of(at))
    return known.get(at)!
  }
}

/** Walks through a plan as it most likely goes; what may vary is worked out when it is asked for. */
export function walk(asked: Asked): Walk {
  const steps = walkOnce(asked, likely)
  let others: readonly (readonly Stood[])[] | undefined
  const all = () => (others ??= edges.map((draw) => walkOnce(asked, draw)))
  const inVessel = (bench: Bench, vessel: string, thing: Thing): number | null => {
    const found = vesselNamed(bench, vessel)
    let sum = 0
    for (const { holds } of found?.phases ?? [])
      for (const each of holds as readonly Holding[]) {
        if (each.thing !== thing || !each.certain) continue
        if (each.amount === null) return null
        sum += each.amount
      }
    return sum
  }
  const comes = once((at) => broughtBy(asked, steps[at]!.step))
  const meets = (at: number): readonly Meets[] => {
    const stood = steps[at]!
    const known = meetings.get(stood)
    if (known) return known
    const { before, during } = stood
    const there = vesselNamed(before, during.at)
    const inside = vesselNamed(during, during.at)
    // Where the work goes on in a new vessel it is poured onto what that step puts in.
    const found = there ? meetsIn(there, comes(at), inside) : meetsIn(comes(at), vesselNamed(before, before.at), inside)
    meetings.set(stood, found)
    return found
  }
  return {
    steps,
    others: all,
    comes,
    meets,
    amount: (at, when, vessel, thing) =>
      spanOf(
        all().map((steps) => inVessel(steps[at]![when], vessel, thing)),
        inVessel(steps[at]![when], vessel, thing),
      ),
  }
}
