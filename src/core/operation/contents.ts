import { operationOf } from '../plan/operations'
import { isCharged, type Line, type Plan, type Step, type Substance, type Vessel } from '../plan/plan'
import { partsUsed } from '../plan/stepText'
import type { ComputedLine, ReactionTable } from '../reaction/reactionTable'

/** A part of a line as it stands in a vessel. */
export interface Content {
  line: Line
  substance: Substance
  massG: number | null
  volumeML: number | null
}

/** What the work goes on in while a step is done, once everything is in that the step adds. */
export interface StepContents {
  step: string
  /** The vessel, where the plan names it. */
  vessel: Vessel | undefined
  /** The step that set this vessel up. */
  since: string | undefined
  contents: Content[]
  /** Liquids by volume, solids taken at 1 mL to the gram. */
  volumeML: number
}

/** Operations after which only the product is left of what was in the vessel. */
const leavesProduct = new Set(['filter', 'evaporate', 'distil', 'weigh', 'dry', 'crystallise', 'melt'])
/** Verbs of steps that take the mixture to another vessel. */
const pouredOff = new Set(['pour', 'quench'])

/**
 * Follows what goes into which vessel, step by step. A charge, or a line named in the words of a step, goes in with the part named; a step with a vessel of its
 * own goes on in that one with what there was; pouring off, quenching and crystallising leave the vessel, and so does an extraction or a wash that is not in a separating funnel yet; extraction and washing take the watery layer away with them;
 * filtering, evaporating, distilling and weighing leave the product alone, whose amount is not known then.
 */
export function stepContents(plan: Plan, table: ReactionTable): StepContents[] {
  let vessel: Vessel | undefined
  let since: string | undefined
  let inside: Content[] = []
  return plan.steps.map((step) => {
    const operation = operationOf(step)
    const verb = step.kind === 'act' ? step.verb.toLowerCase() : operation
    const leaves = pouredOff.has(operation ?? '') || pouredOff.has(verb ?? '')
    const toFunnel = (operation === 'extract' || operation === 'wash') && vessel?.kind !== 'separating funnel'
    if (step.vessel || leaves || toFunnel || operation === 'filter' || step.kind === 'crystallise')
      [vessel, since] = [step.vessel, step.vessel && step.id]
    if (step.kind === 'crystallise') inside = []
    inside = [...inside, ...added(table, step)]
    const during = {
      step: step.id,
      vessel,
      since,
      contents: inside,
      volumeML: inside.reduce((sum, { volumeML, massG }) => sum + (volumeML ?? massG ?? 0), 0),
    }
    if (operation === 'extract' || operation === 'wash') inside = inside.filter((content) => !watery(content))
    if (leavesProduct.has(operation ?? '')) {
      // What a filtration names is what the solid is rinsed with or dissolved in: it goes on.
      inside = operation === 'filter' ? added(table, step) : []
      if (!step.vessel || operation !== 'filter') [vessel, since] = [undefined, undefined]
    }
    return during
  })
}

/** Millilitres in the vessel that a step sets up, when it is fullest. */
export function contentsML(plan: Plan, table: ReactionTable, setUp: string): number {
  return Math.max(0, ...stepContents(plan, table).flatMap(({ since, volumeML }) => (since === setUp ? [volumeML] : [])))
}

function added(table: ReactionTable, step: Step): Content[] {
  return partsUsed(step).flatMap(({ line: id, part }): Content[] => {
    const found: ComputedLine | undefined = table.lines.find(({ line }) => line.id === id)
    if (!found || !isCharged(found.line)) return []
    const { line, substance, mass, volume } = found
    return [{ line, substance, massG: mass && mass.value * part, volumeML: volume && volume.value * part }]
  })
}

/** True for water and what is dissolved in it. */
function watery({ line, substance }: Content): boolean {
  return (
    line.form.kind === 'solution' ||
    line.form.kind === 'mass-volume' ||
    line.form.kind === 'mass-fraction' ||
    substance.formula === 'H2O'
  )
}
