import { hydroxide, proton } from './minerals'
import { pHOfPhase } from './phase'
import { together, withVessel, vesselAt, type Bench, type Holding, type Phase } from './state'
import { saltOfAcid, saltOfAmine } from './madeSalts'
import { water, type Thing } from './thing'
import type { World } from './world'

/** What comes out of a liquid in which the solubility of a substance is on no record: most of it as a rule, and nobody can say how much. */
const comesOut = { low: 0.3, likely: 0.85, high: 1 } as const

type Parts = readonly (readonly [thing: Thing, moles: number])[]

/** As what a thing would come out of a phase: itself, or the salt that it is there. */
function solidOf(phase: Phase, { thing }: Holding): { thing: Thing; takes: Parts; gives: Parts } {
  const itself = { thing, takes: [[thing, 1]] as Parts, gives: [[thing, 1]] as Parts }
  const pH = pHOfPhase(phase)
  if (pH === null) return itself
  const [pKa] = thing.acid
  const most = (of: (each: Thing) => boolean) =>
    phase.holds.filter((each) => of(each.thing) && each.certain && each.amount !== null).sort((a, b) => b.amount! - a.amount!)[0]
      ?.thing
  if (pKa !== undefined && pH > pKa + 1) {
    const cation = most((each) => each.charge === 1 && each !== proton)
    if (!cation) return itself
    const salt = saltOfAcid(cation, thing)
    return {
      thing: salt,
      takes: [
        [thing, 1],
        [cation, 1],
        [hydroxide, 1],
      ],
      gives: [
        [salt, 1],
        [water, 1],
      ],
    }
  }
  if (thing.base !== null && pH < thing.base - 1) {
    const anion = most((each) => each.charge === -1 && each !== hydroxide)
    if (!anion) return itself
    const salt = saltOfAmine(thing, anion)
    return {
      thing: salt,
      takes: [
        [thing, 1],
        [proton, 1],
        [anion, 1],
      ],
      gives: [[salt, 1]],
    }
  }
  return itself
}

/**
 * The vessel that the work goes on in with some of a thing come out of its liquid, where nobody knows its solubility there and the plan goes on with the solid: as itself, or as the salt that it is at that pH. Said as what cannot be told. The same bench where the thing stands
 * as a solid already, or is not there.
 */
export function unsaidSolid(bench: Bench, wanted: Thing, world: World): Bench {
  const vessel = vesselAt(bench)
  if (vessel.phases.some(({ kind, holds }) => kind === 'solid' && holds.some(({ thing }) => thing === wanted))) return bench
  const phase = vessel.phases.find(
    ({ kind, holds }) => kind !== 'solid' && holds.some(({ thing, certain }) => certain && thing === wanted),
  )
  const holding = phase?.holds.find(({ thing, certain }) => certain && thing === wanted)
  if (!phase || !holding) return bench
  world.note({
    kind: 'cannot be told',
    what: `how much of ${wanted.name} comes out`,
    of: wanted,
    mends: 'its solubility, cold',
    vessel: vessel.name,
  })
  const { takes, gives } = solidOf(phase, holding)
  const amounts = takes.map(([thing, moles]) => {
    const there = phase.holds.find((each) => each.certain && each.thing === thing)?.amount ?? null
    return there === null ? null : there / moles
  })
  if (amounts.some((each) => each === null)) {
    const open: Holding = { ...holding, amount: null }
    return withVessel(bench, {
      ...vessel,
      phases: [
        ...vessel.phases.map((each) =>
          each === phase ? { ...each, holds: each.holds.map((one) => (one === holding ? open : one)) } : each,
        ),
        { kind: 'solid', holds: [open] },
      ],
    })
  }
  const mmol = Math.min(...(amounts as number[])) * world.draw(`comes out ${wanted.id}`, comesOut)
  const of = (thing: Thing, amount: number): Holding => ({ ...holding, thing, amount })
  const solids = gives.filter(([thing]) => thing !== water).map(([thing, moles]) => of(thing, moles * mmol))
  const stays = together(
    phase.holds,
    takes.map(([thing, moles]) => of(thing, -moles * mmol)),
    gives.filter(([thing]) => thing === water).map(([thing, moles]) => of(thing, moles * mmol)),
  )
  return withVessel(bench, {
    ...vessel,
    phases: [
      ...vessel.phases.map((each) => (each === phase ? { ...each, holds: stays } : each)),
      { kind: 'solid', holds: solids },
    ],
  })
}
