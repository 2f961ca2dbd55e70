import { defaultLab, type Lab } from '../lab/lab'
import { printedStep } from '../operations/printedPlan'
import { printed } from '../words/words'
import { operationIn } from '../operations/registry'
import { lineOf, substanceOf, type Plan, type Step } from '../plan/plan'
import type { ReactionTable } from '../reaction/reactionTable'
import { meetingsIn } from '../operations/vessel/meetingsIn'
import { walkOf } from '../operations/vessel/standsIn'
import { isLiquid, volumeOf } from '../matter/phase'
import { vesselNamed } from '../matter/state'
import { gasesIn, isNoticed } from '../operations/vessel/gasesIn'
import { gases } from '../reaction/gases'
import { writeNumber } from '../quantity/write'
import { capital } from '../words/capital'
import { isFlammable } from '../substance/statements'

/**
 * What to heed in a step, the gravest for its operation first: fire where something flammable is heated, then the measure where things meet that must not meet unawares, then the author's own caution, then that of the substance that is measured out.
 */
export function cautionsOf(plan: Plan, table: ReactionTable, step: Step, lab: Lab = defaultLab): string[] {
  const found: string[] = []
  if (operationIn(step)?.heats) {
    const names = burningIn(plan, table, step, lab)
    if (names.length > 0)
      found.push(
        `Fire: ${names.join(', ')} ${names.length === 1 ? 'burns' : 'burn'}. No flame, no spark, no open hot plate near it.`,
      )
  }
  for (const { step: where, row, meant, one, other } of meetingsIn(plan, table, lab)) {
    const words = row.meant?.measure
    if (meant && where === step.id && words) found.push(`${one.name} with ${other.name}: ${words}`)
  }
  for (const each of gasesIn(plan, table, lab))
    if (each.step === step.id && isNoticed(each))
      found.push(`${capital(each.gas)}, ${upTo(each.litres)}: ${gases[each.gas].lead}.`)
  const { caution } = printedStep(plan, table, step, lab)
  if (caution) found.push(printed(caution))
  const measured = step.kind === 'charge' ? substanceOf(plan, lineOf(plan, step.line)).caution : undefined
  if (measured) found.push(measured)
  return [...new Set(found)]
}

/** Less of a liquid phase than this by volume feeds no flame that its water would not put out. Judgement. */
const burnsFrom = 0.1

/** Liquids that burn in the vessel that a step heats: those that are a layer for the most part, or so much of one that it burns. */
function burningIn(plan: Plan, table: ReactionTable, step: Step, lab: Lab): string[] {
  const stood = walkOf(plan, table, lab).steps.find((each) => each.step.id === step.id)
  const inside = stood && vesselNamed(stood.during, stood.during.at)
  const names = (inside?.phases ?? []).flatMap((phase) => {
    if (phase.kind === 'solid') return []
    const { mL } = volumeOf(phase)
    return phase.holds
      .filter(
        (holding) =>
          isLiquid(holding.thing) &&
          isFlammable(holding.thing.substance) &&
          (holding.amount === null || volumeOf({ ...phase, holds: [holding] }).mL > burnsFrom * mL),
      )
      .map(({ thing }) => thing.name)
  })
  return [...new Set(names)]
}

/** How much gas there may be. */
const upTo = (litres: number | null) =>
  litres === null ? 'nobody can say how much' : `up to ${writeNumber(litres, litres < 1 ? 2 : 1)} L`
