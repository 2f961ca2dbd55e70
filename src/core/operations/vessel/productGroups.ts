import { mainSubstance, type Plan } from '../../plan/plan'
import type { FunctionalGroup } from '../../substance/lists'

/** The groups of the substance that a plan makes or isolates. */
export const productGroups = ({ plan }: { plan: Plan }): readonly FunctionalGroup[] => mainSubstance(plan)?.groups ?? []
