import type { OwnOperation } from '../../plan/plan'
import { holdingsIn, vesselAt, withVessel, type Bench } from '../../matter/state'
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
    if (effect === 'only the product is left') return onlySolid(doing.reacts(filled), `rest of “${name}”`)
    return doing.reacts(filled)
  }
}

/** The liquid is set aside where there is a solid: the product of a plan is what is kept of the two. */
function onlySolid(bench: Bench, rest: string): Bench {
  const vessel = vesselAt(bench)
  const solids = vessel.phases.filter(({ kind }) => kind === 'solid')
  if (solids.length === 0 || solids.length === vessel.phases.length) return bench
  const aside = vessel.phases.filter(({ kind }) => kind !== 'solid')
  return setAside(withVessel(bench, { ...vessel, phases: solids }), rest, aside, vessel.atC, 'rest')
}
