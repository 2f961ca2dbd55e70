import type { Line, Plan } from '../../plan/plan'
import { balance } from '../../reaction/balance'
import { readFormula } from '../../substance/readFormula'
import type { Substance } from '../../substance/substance'

/** What reacts, what forms besides, and how many of each. */
export interface Equation {
  reactants: readonly { substance: Substance; coefficient: number }[]
  product: number
  byProducts: readonly { substance: Substance; coefficient: number }[]
}

const mostReactants = 4
const mostByProducts = 4
/** A coefficient above this is no equation that a handout would have. */
const mostCoefficient = 4

const elementsOf = ({ formula }: Substance): string[] => (formula === undefined ? [] : Object.keys(readFormula(formula).atoms))

function* subsets<T>(list: readonly T[], most: number, from = 0): Generator<T[]> {
  yield []
  if (most === 0) return
  for (let index = from; index < list.length; index++)
    for (const rest of subsets(list, most - 1, index + 1)) yield [list[index]!, ...rest]
}

const equationPlan = (reactants: readonly Substance[], products: readonly Substance[]): Plan => {
  const line = (substance: Substance, role: Line['role']): Line => ({
    id: substance.id + role,
    substance: substance.id,
    role,
    coefficient: 1,
    form: { kind: 'solid', purity: 1 },
    anchor: null,
  })
  return {
    substances: [...reactants, ...products],
    lines: [...reactants.map((each) => line(each, 'reactant')), ...products.map((each) => line(each, 'product'))],
  } as unknown as Plan
}

const sameSet = (a: ReadonlySet<string>, b: ReadonlySet<string>) => a.size === b.size && [...a].every((each) => b.has(each))

/**
 * The equation that makes the product of what the text takes: it balances in one way only, takes in as much of what is `wanted` as it can, and needs the fewest others. Undefined where there is none.
 * @param wanted what is measured out and is no solvent @param others solvents, which react only where nothing else gives the atoms
 */
export function equationOf(
  product: Substance,
  wanted: readonly Substance[],
  others: readonly Substance[],
  byProducts: readonly Substance[],
): Equation | undefined {
  const candidates = [...wanted, ...others].filter(({ id, formula }) => id !== product.id && formula !== undefined).slice(0, 10)
  const possible = byProducts.filter(({ id }) => id !== product.id)
  let best: { equation: Equation; worth: number } | undefined
  for (const reactants of subsets(candidates, mostReactants)) {
    if (reactants.length === 0) continue
    const left = new Set(reactants.flatMap(elementsOf))
    if (!elementsOf(product).every((element) => left.has(element))) continue
    const fitting = possible.filter(
      (each) => elementsOf(each).every((element) => left.has(element)) && !reactants.some(({ id }) => id === each.id),
    )
    for (const besides of subsets(fitting, mostByProducts)) {
      const worth =
        10 * reactants.filter((each) => wanted.includes(each)).length -
        12 * reactants.filter((each) => others.includes(each)).length -
        3 * besides.length
      if (best && worth <= best.worth) continue
      if (!sameSet(left, new Set([...elementsOf(product), ...besides.flatMap(elementsOf)]))) continue
      const equation = solved(reactants, product, besides)
      if (!equation) continue
      // Of two that use the same, the one with the smaller numbers: one anhydride for each amine and not for two.
      const whole = worth - 0.5 * (equation.product + equation.reactants.reduce((sum, { coefficient }) => sum + coefficient, 0))
      if (!best || whole > best.worth) best = { equation, worth: whole }
    }
  }
  return best?.equation
}

function solved(reactants: readonly Substance[], product: Substance, besides: readonly Substance[]): Equation | undefined {
  const { suggestion } = balance(equationPlan(reactants, [product, ...besides]))
  if (!suggestion) return undefined
  const number = (substance: Substance, side: 'reactant' | 'product') => suggestion[substance.id + side]!
  const all = Object.values(suggestion)
  if (all.some((value) => value > mostCoefficient)) return undefined
  return {
    reactants: reactants.map((substance) => ({ substance, coefficient: number(substance, 'reactant') })),
    product: number(product, 'product'),
    byProducts: besides.map((substance) => ({ substance, coefficient: number(substance, 'product') })),
  }
}
