import { saltingFactor, saturatedSodiumChloride } from '../../matter/saltingOut'
import type { ShakingBlanks } from './blanks'

/** By what the salt that the blanks put into the water raises K; 1 where they put none. */
export function saltingOf(filled: Pick<ShakingBlanks, 'salt' | 'setschenow'>): number {
  return filled.salt === 'saturated' ? saltingFactor(filled.setschenow, saturatedSodiumChloride.molPerL) : 1
}
