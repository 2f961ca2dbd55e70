import type { Lab } from '../lab/lab'
import type { Plan, Step } from '../plan/plan'
import { lineName } from '../plan/lineName'
import { notNamed } from '../reaction/stepText'
import type { ReactionTable } from '../reaction/reactionTable'
import { piecesOf } from '../words/pieces'
import { asWords, type Words } from '../words/words'
import { wordFigures } from './wordFigures'

/** Words of a step besides what is to be done. */
const besides = ['until', 'caution', 'meanwhile'] as const

/** A step as people read it: also how it ends, its caution and what becomes of the material meanwhile name no blank any more, but what stands in it. */
export function printedStep(plan: Plan, table: ReactionTable, step: Step, lab: Lab): Step {
  const written = besides.flatMap((key): [(typeof besides)[number], Words][] => {
    const words = (step as Partial<Record<typeof key, Words>>)[key]
    return words && piecesOf(words).some(({ kind }) => kind !== 'text') ? [[key, words]] : []
  })
  if (written.length === 0) return step
  const filled = written.map(([key, words]) => {
    const figures = wordFigures(plan, table, { ...step, text: words }, lab)
    const texts = piecesOf(words).map((piece) => {
      if (piece.kind === 'text') return piece.text
      if (piece.kind === 'blank') return figures[piece.key] ?? notNamed
      const line = plan.lines.find(({ id }) => id === piece.line)
      return line ? lineName(plan, line) : notNamed
    })
    return [key, asWords(texts.join(''))]
  })
  return { ...step, ...Object.fromEntries(filled) } as Step
}

/** The plan with every step as people read it: for whoever prints, runs or archives it, not for whoever writes it. */
export function printedPlan(plan: Plan, table: ReactionTable, lab: Lab): Plan {
  const steps = plan.steps.map((step) => printedStep(plan, table, step, lab))
  return steps.every((step, index) => step === plan.steps[index]) ? plan : { ...plan, steps }
}

/** A plan with the words of its scaled self as people read them: for a run, which is folded from the plan as it stands. */
export function withPrinted(plan: Plan, scaled: Plan, table: ReactionTable, lab: Lab): Plan {
  const printedSteps = printedPlan(scaled, table, lab).steps
  if (printedSteps === scaled.steps) return plan
  const steps = plan.steps.map((step, index) => {
    const read = printedSteps[index]!
    if (read === scaled.steps[index]) return step
    return {
      ...step,
      ...Object.fromEntries(besides.flatMap((key) => (key in read ? [[key, read[key as keyof Step]]] : []))),
    } as Step
  })
  return { ...plan, steps }
}
