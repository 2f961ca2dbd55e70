import { massOf, together, vesselAt, vesselNamed, withVessel, type Holding, type Phase } from '../../matter/state'
import { isWater, water, type Thing } from '../../matter/thing'
import { recombined } from '../../matter/recombine'
import { brings } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'
import { dryingAgents } from './dryingAgents'

/** Grams of water that a gram of agent takes up to its highest hydrate, by its formula; an agent of no table takes a tenth of its mass. */
const takesG = ({ substance }: Thing) => dryingAgents.find((agent) => agent.formula === substance.formula)?.gWaterPerG ?? 0.1

/** The agent takes up water as far as it reaches, with what was dissolved in it; both lie at the bottom until the liquid is poured off. */
export const drySolutionEffect: MatterEffect = (bench, doing, world) => {
  const { flask } = doing.typed
  const there = typeof flask === 'string' && vesselNamed(bench, flask) ? { ...bench, at: flask } : bench
  const vessel = vesselAt(there)
  const agents = doing.brings.solid
  doing.during(withVessel(there, { ...vessel, phases: [...vessel.phases, { kind: 'solid', holds: agents }] }))
  const roomMmol = agents.reduce((sum, each) => sum + ((massOf([each]) ?? 0) * takesG(each.thing)) / water.gPer, 0)
  const waterMmol = vessel.phases.reduce(
    (sum, { kind, holds }) =>
      sum + (kind === 'solid' ? 0 : holds.reduce((all, each) => all + (isWater(each.thing) ? (each.amount ?? 0) : 0), 0)),
    0,
  )
  const part = waterMmol > 0 ? Math.min(1, roomMmol / waterMmol) : 1
  if (part < 1)
    world.note({ kind: 'cannot be told', what: 'how dry it becomes', mends: 'more drying agent', vessel: vessel.name })
  const taken: Holding[] = []
  const phases = vessel.phases.map((phase): Phase => {
    if (phase.kind === 'solid') return phase
    const goes = phase.kind === 'watery' ? () => part : ({ thing }: Holding) => (isWater(thing) ? part : 0)
    const stays = phase.holds.flatMap((each) => {
      const share = goes(each)
      if (share > 0) taken.push({ ...each, amount: each.amount === null ? null : each.amount * share })
      return share >= 1 ? [] : [{ ...each, amount: each.amount === null ? null : each.amount * (1 - share) }]
    })
    return { ...phase, holds: stays }
  })
  const solid = together(
    agents,
    recombined(taken, world.things),
    ...vessel.phases.filter(({ kind }) => kind === 'solid').map(({ holds }) => holds),
  )
  return withVessel(brings(there, { liquid: [], solid: agents }), {
    ...vessel,
    phases: [
      ...phases.filter(({ kind, holds }) => kind !== 'solid' && holds.length > 0),
      ...(solid.length > 0 ? [{ kind: 'solid' as const, holds: solid }] : []),
    ],
  })
}
