import { balance, type Imbalance } from '../reaction/balance'
import { isProduct, isReactant, substanceOf } from '../plan/plan'
import type { QueryRule } from '../operations/query'

/** The typed coefficients do not conserve every element: names the first ones and offers the smallest set that does. */
export const unbalanced: QueryRule = (plan) => {
  const { imbalances, suggestion } = balance(plan)
  if (imbalances.length === 0) return []
  const differing = plan.lines.find(
    (line) =>
      (isReactant(line) || isProduct(line)) &&
      suggestion &&
      suggestion[line.id] !== undefined &&
      suggestion[line.id] !== line.coefficient,
  )
  const about = differing ?? plan.lines.find(isReactant)
  return [
    {
      id: 'unbalanced',
      about: about?.id ?? plan.reference,
      title: 'The equation does not balance',
      evidence: imbalances.map(sentence).join(' ') + ' The theoretical yield rests on these coefficients.',
      ...(suggestion && differing
        ? {
            remedy: {
              label: `Set ${plan.lines
                .filter((line) => suggestion[line.id] !== undefined && suggestion[line.id] !== line.coefficient)
                .map((line) => `${suggestion[line.id]} ${substanceOf(plan, line).name}`)
                .join(', ')}`,
              apply: (current) => ({
                ...current,
                lines: current.lines.map((line) =>
                  suggestion[line.id] === undefined ? line : { ...line, coefficient: suggestion[line.id]! },
                ),
              }),
            },
          }
        : {}),
    },
  ]
}

function sentence({ element, left, right }: Imbalance): string {
  if (element === 'charge') return `Charge: ${left} on the left, ${right} on the right.`
  return `${element}: ${left} on the left, ${right} on the right; the ${left < right ? 'left' : 'right'} is short of ${Math.abs(left - right)}.`
}
