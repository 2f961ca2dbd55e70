import { usualColdC } from './usualCold'
import { boilsAtIn } from '../../matter/boilsAt'
import { filtered } from '../../matter/filtered'
import { dissolvesIn } from '../../matter/dissolves'
import { unsaidSolid } from '../../matter/unsaidSolid'
import { vesselAt, vesselNamed, withVessel, type Bench } from '../../matter/state'
import { thingsOf } from '../../matter/things'
import { vesselOfSample } from '../../matter/measuredAs'
import { atTemperature, goesIn } from '../../matter/verbs'
import type { Doing, MatterEffect } from '../../matter/walk'
import type { World } from '../../matter/world'
import { substanceOfSample } from '../../plan/plan'

const figure = (value: unknown): number | undefined => (typeof value === 'number' ? value : undefined)

/** The crude goes into the vessel of the crystallisation. */
function withCrude(bench: Bench, { plan, step }: Doing): Bench {
  if (step.kind !== 'crystallise') return bench
  const substance = substanceOfSample(plan, step.from)
  const crude = vesselOfSample(bench, step.from, substance && thingsOf(plan).of(substance))
  const from = vesselNamed(bench, crude)
  if (!from || crude === bench.at) return bench
  const into = vesselAt(bench)
  return {
    ...withVessel(
      { ...bench, vessels: bench.vessels.filter(({ name }) => name !== crude) },
      { ...into, phases: [...into.phases, ...from.phases] },
    ),
  }
}

/** Into hot solvent, as much as the plan has or as was used; filtered hot where that was said; then what the cold liquid does not hold comes out. The solid stays with its liquor until it is filtered. */
export const crystalliseEffect: MatterEffect = (bench, doing, world) => {
  const { step, typed, readings } = doing
  if (step.kind !== 'crystallise') return bench
  const there = withCrude(bench, doing)
  const used = readings?.usedML[step.id]
  const planned = doing.bringsOf(step.solvent, 1)
  const plannedML = figure(typed.volumeML) ?? used
  const all = doing.lines.filter(({ line }) => line !== step.solvent).map(({ line, part }) => doing.bringsOf(line, part))
  const solvent = plannedML === undefined ? planned.liquid : scaledTo(planned.liquid, plannedML)
  const filled = goesIn(
    there,
    {
      liquid: [...solvent, ...all.flatMap(({ liquid }) => liquid)],
      solid: [...planned.solid, ...all.flatMap(({ solid }) => solid)],
    },
    world,
  )
  const boils = boilsAtIn(vesselAt(filled).phases, world.mmHg)
  const hot =
    'atC' in boils
      ? atTemperature(filled, Math.min(figure(typed.hotC) ?? boils.atC, boils.atC), world, { dissolves: true })
      : filled
  doing.during(hot)
  const title = `“${step.title}”`
  const clear =
    typed.hotFiltration === 'yes'
      ? filtered(
          hot,
          { liquid: [], solid: [] },
          { keep: 'solution', times: 1, solid: `residue of ${title}`, liquid: `hot filtrate of ${title}`, kept: 'rest' },
          world,
        )
      : hot
  const cold = crystals(atTemperature(clear, figure(typed.coldC) ?? usualColdC, world), doing, world)
  return { ...cold, samples: { ...cold.samples, [step.to]: cold.at } }
}

/** Liquid of a certain volume, by that of what was planned. */
function scaledTo(liquid: Doing['brings']['liquid'], mL: number) {
  const planned = liquid.reduce(
    (sum, { thing, amount }) => sum + ((amount ?? 0) * thing.gPer) / (thing.substance.density?.gPerML ?? 1),
    0,
  )
  return planned > 0
    ? liquid.map((each) => ({ ...each, amount: each.amount === null ? null : (each.amount * mL) / planned }))
    : liquid
}

/** Where the solubility of the substance is not known it comes out all the same; a record that holds all of it dissolved is an answer. */
function crystals(bench: Bench, { plan, step }: Doing, world: World): Bench {
  if (step.kind !== 'crystallise') return bench
  const substance = substanceOfSample(plan, step.to)
  const thing = substance && thingsOf(plan).of(substance)
  if (!thing?.solid) return bench
  const { phases, atC } = vesselAt(bench)
  const known = phases.some((phase) => phase.kind !== 'solid' && dissolvesIn(thing, phase, atC) !== 'cannot be told')
  return known ? bench : unsaidSolid(bench, thing, world)
}
