import { filtered } from '../../matter/filtered'
import type { Charged } from '../../matter/charged'
import { water } from '../../matter/thing'
import { holdingsIn, isEmpty, massOf, vesselAt, type Bench } from '../../matter/state'
import { goesIn } from '../../matter/verbs'
import { thingsOf } from '../../matter/things'
import { unsaidSolid } from '../../matter/unsaidSolid'
import type { Doing, MatterEffect } from '../../matter/walk'
import type { World } from '../../matter/world'
import { mainSubstance, substanceOf } from '../../plan/plan'

/** Less than this beside what is dissolved of the product is a trace. */
const traces = 0.05

/** What the plan filters off is there, though nobody can say from what is on record that it came out: what it makes, or what a material holds. */
function withSolid(bench: Bench, { plan }: Doing, world: World): Bench {
  const { phases } = vesselAt(bench)
  const main = mainSubstance(plan)
  const wanted = [
    ...(main ? [main] : []),
    ...plan.lines.filter(({ role }) => role === 'component').map((line) => substanceOf(plan, line)),
  ]
  const things = wanted.map((substance) => thingsOf(plan).of(substance))
  const held = holdingsIn(vesselAt(bench))
  const here = things.find((thing) => held.some((each) => each.thing === thing))
  // Where more than a trace has come out, that is what is filtered.
  const solidG = massOf(phases.flatMap(({ kind, holds }) => (kind === 'solid' ? holds : [])))
  const inLiquidG = massOf(held.filter(({ thing }) => thing === here))
  if (solidG === null || solidG > traces * (inLiquidG ?? 0)) return bench
  return here ? unsaidSolid(bench, here, world) : bench
}

/** What rinses a gram of solid each time, mL, where nobody has said how much: enough to cover it. Judgement. */
const rinseMLPerG = { low: 0.5, likely: 1, high: 3 } as const

/** What rinses the solid: the lines that the step names, else so much of what it says it is rinsed with. */
function rinseOf(bench: Bench, { brings, typed, plan }: Doing, world: World): Charged {
  if (brings.liquid.length > 0 || typed.keep === 'solution' || typeof typed.rinseWith !== 'string') return brings
  const times = typeof typed.times === 'number' ? typed.times : 0
  const substance = plan.substances.find(({ id, name }) => id === typed.rinseWith || name === typed.rinseWith)
  const thing = typed.rinseWith === 'water' ? water : substance && thingsOf(plan).of(substance)
  const grams = massOf(vesselAt(bench).phases.flatMap(({ kind, holds }) => (kind === 'solid' ? holds : [])))
  if (!thing || !(times >= 1) || !grams) return brings
  const mL = typeof typed.rinseML === 'number' ? typed.rinseML : grams * times * world.draw('rinse', rinseMLPerG)
  const amount = (mL * (thing.substance.density?.gPerML ?? 1)) / thing.gPer
  return { ...brings, liquid: [{ thing, amount, from: ['line rinse'], certain: true }] }
}

/** Solid and liquid are parted; the work goes on with what is kept, the solid where nobody has said it. What is named rinses it. */
export const filterEffect: MatterEffect = (bench, doing, world) => {
  if (isEmpty(vesselAt(bench))) {
    const filled = goesIn(bench, doing.brings, world)
    doing.during(filled)
    return filled
  }
  const keep = doing.typed.keep === 'solution' ? 'solution' : 'solid'
  const there = keep === 'solid' ? withSolid(bench, doing, world) : bench
  doing.during(there)
  const times = typeof doing.typed.times === 'number' && doing.typed.times >= 1 ? Math.round(doing.typed.times) : 1
  const title = `“${doing.step.title}”`
  const samples = Object.entries(bench.samples).filter(([, at]) => at === bench.at)
  return filtered(
    there,
    rinseOf(there, doing, world),
    {
      keep,
      times,
      solid: keep === 'solid' ? `solid of ${title}` : `residue of ${title}`,
      liquid: `filtrate of ${title}`,
      kept: keep === 'solid' && samples.length > 0 ? 'mother liquor' : 'filtrate',
    },
    world,
  )
}
