import { isStrongBase, givesCarbonDioxide, protonsOf } from '../../substance/acidBase'
import type { Substance } from '../../substance/substance'
import type { FunctionalGroup } from '../../substance/lists'

/** What a wash is towards the product. */
export type ActsAs = 'strong base' | 'carbonate' | 'acid' | 'bisulfite'

/** What a wash does to a product with such a group. */
const harms: readonly { by: readonly ActsAs[]; group: FunctionalGroup; words: string }[] = [
  {
    by: ['strong base'],
    group: 'ester',
    words: 'strong base splits the ester: cold, brief, or not at all; bicarbonate leaves it',
  },
  { by: ['strong base', 'carbonate'], group: 'carboxylic acid', words: 'base takes the product itself into the water' },
  { by: ['strong base'], group: 'phenol', words: 'strong base takes the product itself into the water' },
  { by: ['acid'], group: 'amine', words: 'acid takes the product itself into the water' },
  { by: ['bisulfite'], group: 'aldehyde', words: 'bisulfite takes the product itself into the water' },
]

/** What it does to a product with these groups; undefined for nothing. */
export function harmBy(acts: ActsAs, groups: readonly FunctionalGroup[]): string | undefined {
  return harms.find(({ by, group }) => by.includes(acts) && groups.includes(group))?.words
}

/** What a substance is as a wash; undefined for what does nothing of the kind. */
export function actsAs(substance: Pick<Substance, 'formula' | 'groups'>): ActsAs | undefined {
  if (substance.formula === 'NaHSO3') return 'bisulfite'
  if (givesCarbonDioxide(substance)) return 'carbonate'
  if (isStrongBase(substance)) return 'strong base'
  return protonsOf(substance) > 0 && !substance.groups ? 'acid' : undefined
}
