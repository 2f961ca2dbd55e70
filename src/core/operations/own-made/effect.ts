import { mainSubstance, substanceOf, type OwnOperation, type Plan } from '../../plan/plan'
import { holdingsIn, vesselAt, withVessel, type Bench, type Holding, type Phase } from '../../matter/state'
import { goesIn, movesOn, setAside } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** Of what is in the vessel nothing is sure any more: it may all still be there. */
function unsure(bench: Bench): Bench {
  const vessel = vesselAt(bench)
  return withVessel(bench, {
    ...vessel,
    phases: vessel.phases.map((phase) => ({ ...phase, holds: phase.holds.map((each) => ({ ...each, certain: false })) })),
  })
}

/** What an operation of the author's own does, as far as it says it. */
export function ownEffect({ name, effect }: OwnOperation): MatterEffect {
  return (bench, doing, world) => {
    const begun = effect === 'the vessel was empty' ? movesOn(bench, { name: `vessel of “${name}”` }, { empty: true }) : bench
    const filled = goesIn(begun, doing.brings, world)
    doing.during(filled)
    if (effect === undefined) {
      if (holdingsIn(vesselAt(filled)).length > 0)
        world.note({
          kind: 'cannot be told',
          what: `what ${name} leaves`,
          mends: 'what it does to what is in the vessel',
          vessel: filled.at,
        })
      return unsure(filled)
    }
    if (effect === 'goes into another vessel') return movesOn(doing.reacts(filled), { name: `vessel of “${name}”` })
    if (effect === 'only the product is left') return onlyProduct(doing.reacts(filled), doing.plan, `rest of “${name}”`)
    return doing.reacts(filled)
  }
}

/** What a plan is for stays, its product or the parts of its material; all else is set aside. Where it has neither, what is solid stays. */
function onlyProduct(bench: Bench, plan: Plan, rest: string): Bench {
  const vessel = vesselAt(bench)
  const wanted = [
    ...(plan.mainProduct === undefined ? [] : [mainSubstance(plan)]),
    ...plan.lines.filter(({ role }) => role === 'component').map((line) => substanceOf(plan, line)),
  ]
  const stays = (holding: Holding, phase: Phase) =>
    wanted.length > 0 ? wanted.includes(holding.thing.substance) : phase.kind === 'solid'
  const phasesOf = (own: boolean) =>
    vessel.phases
      .map((phase) => ({ ...phase, holds: phase.holds.filter((holding) => stays(holding, phase) === own) }))
      .filter(({ holds }) => holds.length > 0)
  const aside = phasesOf(false)
  return aside.length === 0
    ? bench
    : setAside(withVessel(bench, { ...vessel, phases: phasesOf(true) }), rest, aside, vessel.atC, 'rest')
}
