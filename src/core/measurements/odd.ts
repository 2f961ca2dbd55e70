import type { Figure } from '../quantity/figure'
import { writeFigureText, writeNumber } from '../quantity/write'
import type { Expected, Net } from './measurement'

/** Beyond this factor a figure differs from what is expected by more than a hasty hand: a decimal slip or a wrong unit. */
export const slip = 3

/** Asked where a figure is so far from the plan that the point may be in the wrong place. */
export function farFromPlan({ figure, dimension }: Net, planned: Figure): string | null {
  const factor = figure.value / planned.value
  if (factor < slip && factor > 1 / slip) return null
  const [shown, plan] = [figure, planned].map((each) => writeFigureText(each, dimension))
  return `${shown} is ${howMuch(factor)} the plan’s ${plan}. Is the point in the right place?`
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
