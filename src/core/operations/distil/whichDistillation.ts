import type { WithWater } from './partsFromWater'

export type Distillation = 'simple' | 'fractional' | 'steam' | 'reduced pressure'

/** Above this most organic liquids begin to decompose at their boiling point, °C (Vogel, ch. 2.24). */
export const decomposesFromC = 180

/**
 * Which distillation, with its reason: under reduced pressure what would boil above 180 °C, with steam where it is known to part from water and to bear it; fractional where boiling points lie closer than the laboratory's threshold; else simple.
 * @param nearestK difference to the nearest other component's boiling point, K; null where there is no other
 */
export function whichDistillation(
  boilC: number,
  nearestK: number | null,
  water: WithWater,
  simpleFromK: number,
): { way: Distillation; why: string } {
  if (boilC > decomposesFromC)
    return water === 'parts from it'
      ? {
          way: 'steam',
          why: `it boils at ${Math.round(boilC)} °C, where it may decompose, and parts from water; reduced pressure is the other way`,
        }
      : {
          way: 'reduced pressure',
          why: `it boils at ${Math.round(boilC)} °C, where it may decompose; with steam only what parts from water and bears it, and this ${water === 'unknown' ? 'is not known to part from it' : water}`,
        }
  if (nearestK !== null && nearestK < simpleFromK)
    return {
      way: 'fractional',
      why: `the boiling points are ${Math.round(nearestK)} °C apart, less than the ${simpleFromK} °C that part in one stage`,
    }
  return {
    way: 'simple',
    why:
      nearestK === null
        ? 'nothing else boils near it'
        : `the boiling points are ${Math.round(nearestK)} °C apart, at least ${simpleFromK} °C`,
  }
}
