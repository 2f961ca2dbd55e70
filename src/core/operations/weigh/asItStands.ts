import { defaultLab, type Lab } from '../../lab/lab'
import { holdingsIn, massOf, vesselAt, type Bench, type Holding } from '../../matter/state'
import { isWater } from '../../matter/thing'
import { freeId } from '../../plan/editPlan'
import { samplesOf, type Plan, type Step } from '../../plan/plan'
import { reactionTable } from '../../reaction/reactionTable'
import { walkOf } from '../vessel/standsIn'

type Weighed = Pick<Step & { kind: 'weigh' }, 'sample' | 'container' | 'dry'>

/** Less liquid or water than this part of the whole is none that a balance asks about. */
const dryBelow = 0.01

/** What is weighed after a step, as it stands there: a distillate in its receiver, what was left when its solvent went, a sample that was dried. Null where the walk has nothing to say of it. */
export function asItStands(plan: Plan, after: string | undefined, lab: Lab = defaultLab): Weighed | null {
  const { steps } = walkOf(plan, reactionTable(plan), lab)
  const stood = after === undefined ? steps.at(-1) : steps.find(({ step }) => step.id === after)
  const vessel = stood && vesselAt(stood.after)
  if (!stood || !vessel || holdingsIn(vessel).length === 0) return null
  const dry = isDry(stood.after)
  if (dry === null) return null
  const sample = Object.entries(stood.after.samples).find(([, name]) => name === vessel.name)?.[0]
  if (vessel.kept === 'distillate') return { sample: sample ?? freeId('distillate', samplesOf(plan)), container: 'receiver', dry }
  if (sample !== undefined) return { sample, container: 'watch glass', dry }
  return vessel.kind ? { sample: 'crude', container: 'flask', dry } : null
}

/** Without water, and a solid without any liquid; null where an amount is unknown. */
function isDry(bench: Bench): boolean | null {
  const { phases } = vesselAt(bench)
  const grams = (of: readonly Holding[]) => massOf(of.filter(({ certain }) => certain))
  const whole = grams(phases.flatMap(({ holds }) => holds))
  const water = grams(phases.flatMap(({ holds }) => holds.filter(({ thing }) => isWater(thing))))
  const solid = grams(phases.filter(({ kind }) => kind === 'solid').flatMap(({ holds }) => holds))
  if (whole === null || water === null || solid === null || whole <= 0) return null
  return water < dryBelow * whole && (solid < dryBelow * whole || whole - solid < dryBelow * whole)
}
