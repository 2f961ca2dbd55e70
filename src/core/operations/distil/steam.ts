import { vapourPressureAt } from '../../substance/boilsAt'
import type { Substance } from '../../substance/substance'

export interface Steam {
  atC: number
  /** Grams of the organic substance to a gram of water: p_o·M_o/(p_w·M_w). */
  gPerGWater: number
}

type Volatile = Pick<Substance, 'antoine' | 'boiling'>

/**
 * Steam distillation of what does not mix with water: both boil together where p_water + p_org = P. Null where a vapour pressure is not known.
 */
export function steamDistillation(organic: Volatile, gPerMol: number, water: Volatile, mmHg: number): Steam | null {
  let [low, high] = [0, 100]
  const pressure = (atC: number) => {
    const [o, w] = [vapourPressureAt(organic, atC), vapourPressureAt(water, atC)]
    return o === null || w === null ? null : { o, w }
  }
  for (let turn = 0; turn < 60; turn++) {
    const middle = (low + high) / 2
    const at = pressure(middle)
    if (!at) return null
    if (at.o + at.w < mmHg) low = middle
    else high = middle
  }
  const { o, w } = pressure(low)!
  return { atC: low, gPerGWater: (o * gPerMol) / (w * 18.015) }
}
