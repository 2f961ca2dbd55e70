import { elementsIn, isMetal } from '../../substance/atoms'
import type { Role } from '../../plan/lists'
import { partsUsed } from '../../plan/partsUsed'
import { isProduct, isReactant, type Plan } from '../../plan/plan'
import { operationIn } from '../registry'
import { type Substance } from '../../substance/substance'
import type { FunctionalGroup } from '../../substance/lists'
import type { ReactionTable } from '../../reaction/reactionTable'
import { logPLimits } from '../../substance/waterLimits'
import { protonsOf } from '../../substance/acidBase'

/** How an impurity behaves towards a wash. */
export type ImpurityKind =
  'mineral acid' | 'carboxylic acid' | 'phenol' | 'amine' | 'aldehyde' | 'halogen' | 'water-soluble' | 'neutral'

export interface Impurity {
  /** Id of its substance, or what was typed where that is none of the plan's. */
  substance: string
  name: string
  kind: ImpurityKind
  /** mmol that a wash has to meet: of protons for an acid, of the substance for all else. */
  mmol: number
  /** Partition coefficient, organic over watery, where it is known: what water alone takes out. */
  K?: number
}

const halogens = new Set(['I2', 'Br2', 'Cl2'])
const byGroup: readonly [FunctionalGroup, ImpurityKind][] = [
  ['carboxylic acid', 'carboxylic acid'],
  ['amine', 'amine'],
  ['phenol', 'phenol'],
  ['aldehyde', 'aldehyde'],
]
/** Metals of the salts that go into water. */
const salty = ['Na', 'K', 'Li', 'Mg', 'Ca'] as const

/** What kind of impurity a substance is, from its formula, its groups and its log P; salts and small polar molecules go into water. */
export function impurityKind({ formula = '', groups, logP }: Pick<Substance, 'formula' | 'groups' | 'logP'>): ImpurityKind {
  if (halogens.has(formula)) return 'halogen'
  if (protonsOf({ formula }) > 0) return 'mineral acid'
  const found = byGroup.find(([group]) => groups?.includes(group))
  if (found) return found[1]
  if (logP) return logP.value <= logPLimits.washedOut ? 'water-soluble' : 'neutral'
  // What has no carbon, or a metal in it, is a salt.
  const elements = elementsIn(formula)
  return !elements.has('C') || salty.some((metal) => elements.has(metal)) ? 'water-soluble' : 'neutral'
}

/** What is never in the crude product on its own account: put in after the reaction, what is taken apart, what is used up on the way. */
const apart: readonly Role[] = ['work-up', 'material', 'component', 'intermediate']

/** A line that only goes into tests is in no crude product. */
function isOnlyTestedWith(plan: Plan, line: string): boolean {
  const used = plan.steps.filter((step) => partsUsed(step).some((part) => part.line === line))
  return used.length > 0 && used.every((step) => operationIn(step)?.meant?.includes('tests'))
}

/**
 * What a crude product is expected to hold from the plan's own table: reactants in excess, and a part of all of them where the reaction does not run to its end; catalysts, reagents and solvents that are
 * not taken off; and what forms beside the product.
 * @param conversion fraction of the limiting reagent that reacts, 0 to 1
 */
export function crudeComposition(plan: Plan, table: ReactionTable, conversion: number): Impurity[] {
  const reacted = (table.extent?.value ?? 0) * conversion
  const all = table.lines.flatMap(({ line, substance, amount }): Impurity[] => {
    if (line.id === plan.mainProduct || apart.includes(line.role) || isOnlyTestedWith(plan, line.id)) return []
    const protons = protonsOf(substance)
    if (line.role === 'solvent' && protons === 0) return []
    const made = isProduct(line)
    const mmol = made
      ? (line.coefficient ?? 0) * reacted
      : (amount?.value ?? 0) - (isReactant(line) ? line.coefficient! * reacted : 0)
    // A metal that is left lies at the bottom and is decanted from.
    if (mmol <= 1e-9 || substance.formula === undefined || substance.formula === 'H2O' || isMetal(substance.formula)) return []
    return [
      {
        substance: substance.id,
        name: substance.name,
        kind: impurityKind(substance),
        mmol: mmol * Math.max(1, protons),
        ...(substance.logP ? { K: 10 ** substance.logP.value } : {}),
      },
    ]
  })
  return all.reduce<Impurity[]>((sum, next) => {
    const same = sum.find(({ substance }) => substance === next.substance)
    return same ? sum.map((each) => (each === same ? { ...each, mmol: each.mmol + next.mmol } : each)) : [...sum, next]
  }, [])
}
