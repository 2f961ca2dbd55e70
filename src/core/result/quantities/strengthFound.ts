import { blanksOf, contextOf, reportFor } from '../../operations/planners'
import { operationIn } from '../../operations/registry'
import { exact } from '../../quantity/figure'
import { measuredOf } from '../../run/measured'
import { printed } from '../../words/words'
import { evidenceIn, type Quantity } from '../outcome'

/** The strength that titrations found. */
export const strengthFound: Quantity = {
  id: 'strength',
  by: 'titrate',
  asked: (plan) =>
    plan.steps.flatMap((step) =>
      operationIn(step)?.measures === 'titre' ? [{ sample: step.id, of: printed(step.title), from: '' }] : [],
    ),
  measure: (run, base, { sample: id }) => {
    const state = run.steps.find(({ step }) => step.id === id)
    if (!state) return null
    const context = contextOf(run.plan, base.table, state.step, undefined, measuredOf(run))
    const facts = reportFor(context, blanksOf(context))?.facts ?? []
    const fact = facts.find((each) => each.id === 'found')
    if (!fact) return null
    const twice = facts.find((each) => each.id === 'found-u')
    return {
      figure: { ...exact(fact.value), u: (twice?.value ?? 0) / 2 / fact.value },
      unit: 'mol/L',
      text: fact.text,
      evidence: evidenceIn(run, (step) => step.id === id),
      judgement: {
        level: 'open',
        words: 'Titres agree',
        evidence: `${fact.text} = ${fact.how ?? ''}${twice ? `, ± ${twice.text}` : ''}.`,
      },
    }
  },
}
