import { allThereIs, densityOf, mainResult, mainSubstance } from '../../plan/plan'
import type { FunctionalGroup } from '../../substance/lists'
import { logPLimits } from '../../substance/waterLimits'
import { wholeOf } from '../../reaction/reactionTable'
import type { Content } from './content'
import type { StepContents } from './contents'
import { isWatery } from './watery'
import type { Context } from '../planner'

/** Liquids in the vessel while a step is done, the most first. */
export function liquids({ contents }: StepContents): Content[] {
  return contents
    .filter(({ line, volumeML }) => line.form.kind !== 'solid' && volumeML !== null)
    .sort((a, b) => b.volumeML! - a.volumeML!)
}

/** Grams of the product that a careful group gets: the middle of what is expected, all that theory allows where nobody has said, or what was weighed of the sample. */
export function expectedProductG(
  { plan, table, measured }: Pick<Context, 'plan' | 'table' | 'measured'>,
  sample?: string,
): number {
  const weighed = sample === undefined ? undefined : measured?.samples[sample]
  if (weighed !== undefined) return weighed
  const result = mainResult(plan)
  const whole = wholeOf(plan, table)
  const { low, high } = result?.expected ?? allThereIs
  return result && whole ? (whole.value * (low + high)) / 2 : 0
}

/** Grams of all that is in the vessel; what has no mass on record counts by its volume. */
export function gramsIn({ contents }: StepContents): number {
  return contents.reduce((sum, { massG, volumeML }) => sum + (massG ?? volumeML ?? 0), 0)
}

/** The groups of the substance that the plan makes or isolates. */
export function productGroups({ plan }: Context): readonly FunctionalGroup[] {
  return mainSubstance(plan)?.groups ?? []
}

/** Density of a content as it was dispensed, g/mL; 1 where none is on record. */
export function densityIn({ plan }: Context, { line }: Content): number {
  return densityOf(plan, line)?.gPerML ?? 1
}

/** The organic layer of a funnel: its solvents that do not mix with water, and the product where it is a liquid itself. */
export interface OrganicLayer {
  /** Ids of its solvents; empty for a product that is its own layer. */
  solvents: string[]
  /** Ids of all it is made of: its solvents, and a liquid product. */
  substances: string[]
  name: string
  gPerML: number
  volumeML: number
}

/** What the organic layer is made of at a step; null where nothing in the vessel parts from water. */
export function organicLayer(context: Context): OrganicLayer | null {
  const solvents = liquids(context.now).filter(
    (content) =>
      !isWatery(content) && content.line.role !== 'reactant' && (content.substance.logP?.value ?? 1) >= logPLimits.layer,
  )
  const product = mainSubstance(context.plan)
  const neat = product?.density && context.plan.mainProduct !== undefined ? expectedProductG(context) : 0
  const parts = [
    ...solvents.map((content) => ({
      id: content.substance.id,
      name: content.substance.name,
      mL: content.volumeML!,
      g: content.volumeML! * densityIn(context, content),
    })),
    ...(neat > 0 ? [{ id: product!.id, name: product!.name, mL: neat / product!.density!.gPerML, g: neat }] : []),
  ]
  const volumeML = parts.reduce((sum, { mL }) => sum + mL, 0)
  if (volumeML === 0) return null
  return {
    solvents: solvents.map(({ substance }) => substance.id),
    substances: parts.map(({ id }) => id),
    name: parts[0]!.name,
    volumeML,
    gPerML: parts.reduce((sum, { g }) => sum + g, 0) / volumeML,
  }
}
