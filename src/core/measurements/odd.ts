import type { Line } from '../plan/plan'
import type { Figure } from '../quantity/figure'
import { writeFigureText, writeNumber } from '../quantity/write'
import type { Expected, Net } from './measurement'

/** Beyond this factor a figure differs from what is expected by more than a hasty hand: a decimal slip or a wrong unit. */
export const slip = 3

/** By this part of the plan what sets or bears the limit may differ before it is asked about. */
const reactantsDiffer = 0.25

/** By what part of the planned amount a charge may differ before it is asked about, where the plan does not say it: what the yield counts from by a quarter, a solvent by as much as no slip explains. */
export const usuallyDiffers = ({ role }: Pick<Line, 'role'>): number =>
  role === 'reactant' || role === 'material' ? reactantsDiffer : slip - 1

/** Milligrams taken for grams, or litres for millilitres: off by a thousand, give or take what is charged off the plan besides, decades. */
const near = 0.15
const isThousand = (factor: number) => Math.abs(Math.abs(Math.log10(factor)) - 3) < near

/**
 * Asked where a figure is off its plan by more than it may be and its own uncertainty explains.
 * @param mayDiffer part of the planned amount
 */
export function farFromPlan({ figure, dimension }: Net, planned: Figure, mayDiffer = slip - 1): string | null {
  const factor = figure.value / planned.value
  const [shown, plan] = [figure, planned].map((each) => writeFigureText(each, dimension))
  if (isThousand(factor)) {
    const [small, large] = dimension === 'mass' ? ['mg', 'g'] : ['µL', 'mL']
    return `${shown} is ${howMuch(factor)} the plan’s ${plan}. Was it read in ${factor > 1 ? small : large === 'g' ? 'kg' : 'L'}?`
  }
  if (factor >= slip || factor <= 1 / slip)
    return `${shown} is ${howMuch(factor)} the plan’s ${plan}. Is the point in the right place?`
  const off = Math.abs(factor - 1)
  if (off <= mayDiffer + Math.abs(figure.u) * factor) return null
  return `${shown} is ${writeNumber(100 * off, 0)} % ${factor > 1 ? 'more' : 'less'} than the plan’s ${plan}. Is it what went in?`
}

/** Asked where there is more of it than there can be. */
export function aboveAllThereIs({ figure }: Net, most: NonNullable<Expected['most']>, limit: number): string | null {
  const factor = figure.value / most.figure.value
  if (factor <= limit) return null
  const all = writeFigureText(most.figure, 'mass')
  const of = most.of === 'the theoretical' ? `the theoretical ${all}` : `the ${all} put in`
  const why = factor > slip ? 'Is the point in the right place?' : 'Is it dry, and was the container tared?'
  return `${writeFigureText(figure, 'mass')} is ${writeNumber(factor * 100, 0)} % of ${of}. ${why}`
}

function howMuch(factor: number): string {
  if (factor > 1) return `${writeNumber(factor, factor < 10 ? 1 : 0)} times`
  return factor < 0.15 && factor > 0.07 ? 'a tenth of' : `1/${writeNumber(1 / factor, 0)} of`
}
