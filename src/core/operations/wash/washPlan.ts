import type { FunctionalGroup } from '../../substance/lists'
import { fractionLeft } from '../../matter/partition'
import { neutralisation, neutraliserOf } from '../quench/neutralise'
import { harmBy, type ActsAs } from './harms'
import type { Impurity, ImpurityKind } from './impurities'

/** One wash of a row: what, how much, how often, and what it takes out. */
export interface Wash {
  solution: string
  portionML: number
  times: number
  /** What it meets: impurities by their substance. */
  meets: string[]
  /** The same in words, with what else it takes out. */
  removes: string[]
  /** What goes into plain water by its partition coefficient, and the fraction of it that does. */
  dissolves?: { name: string; fraction: number }[]
  /** mmol of what it meets, and what the planned volume can meet; null where it dissolves rather than reacts. */
  needMmol: number | null
  capacityMmol: number | null
  gasL: number
  /** What it would do to the product, where that is not nothing. */
  harm?: string
}

interface Recipe {
  solution: string
  meets: readonly ImpurityKind[]
  /** mmol that a mL meets; null where it dissolves. */
  mmolPerML: number | null
  /** What it is towards the product. */
  acts?: ActsAs
}

const strengthOf = (name: string) => ({ solution: name, mmolPerML: neutraliserOf(name).mmolPerML })

/**
 * Washes in the order in which they are done: water takes strong acid and what dissolves; acid takes amines before base is used; bicarbonate takes acids, hydroxide phenols; bisulfite aldehydes, thiosulfate halogen;
 * brine takes the water, last (Furniss et al., Vogel's Textbook of Practical Organic Chemistry, ch. 2.22).
 */
const recipes: readonly Recipe[] = [
  // 10 % of the pentahydrate, 1.08 g/mL, 248.18 g/mol: 0.436 mol/L, and two of it take one of iodine.
  { solution: '10 % sodium thiosulfate', meets: ['halogen'], mmolPerML: 0.218 },
  { solution: 'water', meets: ['water-soluble'], mmolPerML: null },
  { ...strengthOf('5 % hydrochloric acid'), meets: ['amine'], acts: 'acid' },
  { ...strengthOf('saturated sodium bicarbonate'), meets: ['mineral acid', 'carboxylic acid'], acts: 'carbonate' },
  { ...strengthOf('5 % sodium hydroxide'), meets: ['phenol'], acts: 'strong base' },
  // 40 % w/w, 1.34 g/mL, 104.06 g/mol: 5.1 mol/L; the addition stands at an equilibrium, so half of it counts.
  { solution: 'saturated sodium bisulfite', meets: ['aldehyde'], mmolPerML: 2.5, acts: 'bisulfite' },
]

/** What the wash does to a product with these groups; undefined for nothing. */
export function harmOf(solution: string, groups: readonly FunctionalGroup[]): string | undefined {
  const recipe = recipes.find((each) => each.solution === solution)
  return recipe?.acts && harmBy(recipe.acts, groups)
}

const sensible = { least: 0.1, usual: 1 / 3, most: 0.5, times: 3 } as const

/** Up to whole 5 mL from 20 mL on, to whole mL below. */
const whole = (mL: number) => (mL >= 20 ? Math.ceil(mL / 5 - 1e-9) * 5 : Math.max(1, Math.ceil(mL - 1e-9)))

/** Drops of water that stay in a layer hold about this much of a strong acid that has gone into the water. */
const keptInDrops = 0.02

/**
 * Proposes the washes of an organic layer for what it holds: each about a third of its volume, more or oftener where what must be met asks for it, within 10 to 50 % of the layer and three times; three times water first where much acid would
 * foam with bicarbonate, whose need is then what the water leaves; brine last.
 */
export function washPlan(
  impurities: readonly Impurity[],
  layerML: number,
  groups: readonly FunctionalGroup[],
  mmHg = 760,
): Wash[] {
  const waterFirst = impurities.some(
    ({ kind, mmol, K = 1 }) => mmol > 0 && (kind === 'mineral acid' || (kind === 'carboxylic acid' && K < 1)),
  )
  const halfML = whole(layerML * sensible.most)
  const left = waterFirst ? afterWater(impurities, layerML, halfML, sensible.times) : impurities
  const washes = recipes.flatMap(({ solution, meets, mmolPerML }): Wash[] => {
    if (solution === 'water' && waterFirst) {
      const wash = measured({ solution, portionML: halfML, times: sensible.times }, impurities, groups, mmHg)
      return [{ ...wash, removes: [...wash.removes, 'most of the acid, before bicarbonate would foam with it'] }]
    }
    const met = left.filter(({ kind, mmol }) => meets.includes(kind) && mmol > 0)
    if (met.length === 0) return []
    const need = met.reduce((sum, { mmol }) => sum + mmol, 0)
    const [portionML, times] = sizes(layerML, mmolPerML === null ? 0 : need / mmolPerML)
    return [measured({ solution, portionML, times }, left, groups, mmHg)]
  })
  const [portionML] = sizes(layerML, 0)
  return [
    ...washes,
    { solution: 'brine', portionML, times: 1, meets: [], removes: ['water'], needMmol: null, capacityMmol: null, gasL: 0 },
  ]
}

/** What washes with water alone leave in the layer: drops of a strong acid, and of all else by its partition coefficient, where that is known. */
export function afterWater(impurities: readonly Impurity[], layerML: number, portionML: number, times: number): Impurity[] {
  return impurities.map((impurity) => {
    const { kind, mmol, K } = impurity
    const stays =
      kind === 'mineral acid'
        ? keptInDrops
        : K === undefined
          ? 1
          : fractionLeft({ D: 1 / K, waterML: layerML, portionML, portions: times })
    return { ...impurity, mmol: mmol * stays }
  })
}

/** Less than this is not worth a word. */
const leastFraction = 0.05

/** What each impurity has lost from before a wash to after it. */
export function dissolvedFrom(before: readonly Impurity[], after: readonly Impurity[]): { name: string; fraction: number }[] {
  return before.flatMap(({ name, mmol }, index) => {
    const fraction = mmol > 0 ? 1 - after[index]!.mmol / mmol : 0
    return fraction >= leastFraction ? [{ name, fraction }] : []
  })
}

/** Portion and number for a volume that is needed. */
function sizes(layerML: number, neededML: number): [number, number] {
  const usual = Math.max(1, layerML * sensible.usual)
  if (neededML <= usual) return [whole(usual), 1]
  const times = Math.min(sensible.times, Math.max(2, Math.ceil(neededML / (layerML * sensible.most))))
  return [whole(Math.max(layerML * sensible.least, neededML / times)), times]
}

/** A wash as someone plans it, with what it meets, what it can meet, its gas and its harm. */
export function measured(
  { solution, portionML, times }: Pick<Wash, 'solution' | 'portionML' | 'times'>,
  impurities: readonly Impurity[],
  groups: readonly FunctionalGroup[],
  mmHg = 760,
): Wash {
  const recipe = recipes.find((each) => each.solution === solution)
  const met = impurities.filter(({ kind }) => recipe?.meets.includes(kind))
  const need = met.reduce((sum, { mmol }) => sum + mmol, 0)
  const capacity = recipe?.mmolPerML ? recipe.mmolPerML * portionML * times : null
  const gasL = recipe?.acts === 'carbonate' ? neutralisation(need, neutraliserOf(solution), portionML * times, mmHg).gasL : 0
  const harm = harmOf(solution, groups)
  return {
    solution,
    portionML,
    times,
    meets: met.map(({ substance }) => substance),
    removes: solution === 'brine' ? ['water'] : met.map(({ name }) => name),
    needMmol: capacity === null ? null : need,
    capacityMmol: capacity,
    gasL,
    ...(harm ? { harm } : {}),
  }
}

/** The solutions that a row of washes may be made of. */
export const washSolutions: readonly string[] = [...recipes.map(({ solution }) => solution), 'brine']
