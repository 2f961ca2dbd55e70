import { isReactant, substanceOf, type Plan } from '../../plan/plan'
import { baseCapacityOf, isStrongBase, protonsOf } from '../../substance/acidBase'
import { hydroxide, proton } from '../minerals'
import type { Span } from '../span'
import { vesselAt, withVessel, type Bench, type Vessel } from '../state'
import { isWater, water, type Thing } from '../thing'
import type { Things } from '../things'
import type { World } from '../world'
import { amountIn, changed, holdsThing, leftOut, mostOf, net, type Change } from './happens'

/** The plan's own equation as a row. */
export interface OwnReaction {
  reactants: { thing: Thing; moles: number; ofWorkUp: boolean }[]
  products: { thing: Thing; moles: number }[]
  /** How far it goes, as a part of what is there together. */
  conversion: Span
  constant: number | null
}

const known = new WeakMap<Plan['lines'], { plan: Plan; own: OwnReaction | null }>()

/** The equation of a plan; null where it has none. */
function ownReaction(plan: Plan, things: Things): OwnReaction | null {
  const found = known.get(plan.lines)
  const isSame =
    found &&
    found.plan.substances === plan.substances &&
    found.plan.expectedYield === plan.expectedYield &&
    found.plan.equilibrium === plan.equilibrium
  if (isSame) return found.own
  const own = worked(plan, things)
  known.set(plan.lines, { plan, own })
  return own
}

function worked(plan: Plan, things: Things): OwnReaction | null {
  const reactants = plan.lines.filter(isReactant)
  const products = plan.lines.filter(
    ({ role, coefficient }) => (role === 'product' || role === 'by-product') && coefficient !== null,
  )
  if (reactants.length === 0 || products.length === 0) return null
  const { expectedYield } = plan
  return {
    reactants: reactants.map((line) => {
      const substance = substanceOf(plan, line)
      return {
        thing: things.of(substance),
        moles: line.coefficient!,
        ofWorkUp: protonsOf(substance) > 0 && substance.groups === undefined,
      }
    }),
    products: products.map((line) => ({ thing: things.of(substanceOf(plan, line)), moles: line.coefficient! })),
    // The author's span is of what is weighed in the end: no less reacts than that, and what a careful group gets at the best was surely made.
    conversion: expectedYield ? { low: expectedYield.low, likely: expectedYield.high, high: 1 } : { low: 0, likely: 1, high: 1 },
    constant: plan.equilibrium?.constant ?? null,
  }
}

/** What the equation takes and gives in a vessel: in water, salts, acids and bases by their ions; protons and hydroxide that both sides or one side have are water. */
function changeIn(vessel: Vessel, { reactants, products }: OwnReaction, things: Things): Change {
  const watery = vessel.phases.some(({ kind }) => kind === 'watery')
  const parts = (thing: Thing, moles: number): Change => {
    const apart = watery ? things.inWater(thing) : null
    // A solid that has not dissolved is taken as it stands.
    if (!apart || (moles < 0 && (amountIn(vessel, thing) ?? 0) > 0)) return [[thing, moles]]
    return [
      ...apart.parts.map(([part, each]) => [part, each * moles] as const),
      ...(apart.water === 0 ? [] : [[water, apart.water * moles] as const]),
    ]
  }
  const all = net(
    ...reactants.map(({ thing, moles }) => parts(thing, -moles)),
    ...products.map(({ thing, moles }) => parts(thing, moles)),
  )
  const of = (wanted: Thing) => all.find(([thing]) => thing === wanted)?.[1] ?? 0
  const [protons, hydroxides] = [of(proton), of(hydroxide)]
  // Both taken, or both given, are water.
  const both =
    Math.sign(protons) === Math.sign(hydroxides) ? Math.sign(protons) * Math.min(Math.abs(protons), Math.abs(hydroxides)) : 0
  return net(all, [
    [proton, -both],
    [hydroxide, -both],
    [water, both],
  ])
}

/** True where everything that the equation takes has come together in a vessel. The mineral acid of a work-up is not waited for where its anion only passes through. */
function areTogether(vessel: Vessel, own: OwnReaction, change: Change, things: Things): boolean {
  const taken = change.filter(([thing, moles]) => moles < 0 && thing !== proton && thing !== hydroxide)
  if (!taken.every(([thing]) => isWater(thing) || holdsThing(vessel, thing))) return false
  return own.reactants.every(({ thing, ofWorkUp }) => {
    if (ofWorkUp || holdsThing(vessel, thing)) return true
    const apart = things.inWater(thing)
    return apart?.parts.every(([part]) => part === proton || part === hydroxide || holdsThing(vessel, part)) ?? false
  })
}

/** Where an equilibrium stops: the mmol at which the products over the reactants come to its constant, each amount to the power of its coefficient, by halving. */
function atEquilibrium(vessel: Vessel, change: Change, constant: number, most: number): number {
  const there = change.map(([thing, moles]) => ({ moles, amount: amountIn(vessel, thing) ?? 0 }))
  const excess = (x: number) =>
    there.reduce((sum, { moles, amount }) => sum + moles * Math.log(Math.max(1e-30, amount + moles * x)), 0) - Math.log(constant)
  let [low, high] = [0, most]
  if (excess(0) >= 0) return 0
  for (let turn = 0; turn < 60; turn++) {
    const middle = (low + high) / 2
    if (excess(middle) < 0) low = middle
    else high = middle
  }
  return low
}

/**
 * Lets the plan's own reaction go forward in the vessel that the work goes on in, as far as what is there together allows: the scarcest by its coefficient, the part that is expected to react, and its equilibrium. `done` is what of it went before, which counts.
 */
export function reactsByPlan(bench: Bench, plan: Plan, world: World, done: number): { bench: Bench; extentMmol: number } {
  const none = { bench, extentMmol: 0 }
  const own = ownReaction(plan, world.things)
  if (!own) return none
  const vessel = vesselAt(bench)
  const change = changeIn(vessel, own, world.things)
  if (!areTogether(vessel, own, change, world.things)) return none
  const strongBase = own.reactants.some(({ thing: { substance } }) => isStrongBase(substance) || baseCapacityOf(substance) > 0)
  // Protons and hydroxide come from water, or from what the settling makes of acids and bases.
  const most = mostOf(vessel, change, (thing) => thing === proton || thing === hydroxide || (isWater(thing) && strongBase))
  if (most === null) {
    world.note({ kind: 'reacts', reaction: 'plan', extentMmol: null, vessel: vessel.name })
    return { bench: withVessel(bench, unknownAfter(vessel, change)), extentMmol: 0 }
  }
  const wanted = world.draw('conversion', own.conversion) * (most + done) - done
  const limit = own.constant === null ? most : atEquilibrium(vessel, change, own.constant, most)
  const mmol = Math.max(0, Math.min(wanted, limit, most))
  if (mmol <= 1e-12) return none
  world.note({ kind: 'reacts', reaction: 'plan', extentMmol: mmol, vessel: vessel.name })
  const balanced = net(change, leftOut(change, 'plan'))
  return { bench: withVessel(bench, changed(vessel, balanced, mmol, `reaction ${world.step}`)), extentMmol: mmol }
}

/** Where an amount is unknown, so are those of everything that the reaction takes and gives there. */
function unknownAfter(vessel: Vessel, change: Change): Vessel {
  const given = change.flatMap(([thing, moles]) =>
    moles > 0 && !holdsThing(vessel, thing) ? [{ thing, amount: null, from: ['reaction plan' as const], certain: true }] : [],
  )
  const touched = new Set(change.map(([thing]) => thing))
  const phases = vessel.phases.map((phase) => ({
    ...phase,
    holds: phase.holds.map((each) => (touched.has(each.thing) ? { ...each, amount: null } : each)),
  }))
  const at = phases.findIndex(({ kind }) => kind !== 'solid')
  if (at >= 0) phases[at] = { ...phases[at]!, holds: [...phases[at]!.holds, ...given] }
  else if (given.length > 0) phases.push({ kind: 'solid', holds: given })
  return { ...vessel, phases }
}
