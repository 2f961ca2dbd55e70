import { blanksOf, contextOf } from '../../operations/planners'
import { operationIn } from '../../operations/registry'
import { tubeNames, tubesOf, type TestBlanks } from '../../operations/test/planner'
import { printed } from '../../words/words'
import type { Entry } from '../../run/entry'
import { evidenceIn, type Quantity } from '../outcome'

/** What a panel of tests showed, read only where its control and its blank did what they must. */
export const testOutcome: Quantity = {
  id: 'test',
  by: 'test',
  asked: (plan) =>
    plan.steps.flatMap((step) =>
      operationIn(step)?.measures === 'tubes' ? [{ sample: step.id, of: printed(step.title), from: '' }] : [],
    ),
  measure: (run, base, { sample: id }) => {
    const state = run.steps.find(({ step }) => step.id === id)
    if (!state) return null
    const blanks = blanksOf<TestBlanks>(contextOf(run.plan, base.table, state.step))
    const names = tubeNames(blanks)
    const seen = (name: string) =>
      (state.standing.filter((entry) => entry.kind === 'tube') as Entry<'tube'>[])
        .filter(({ body }) => body.tube === name && (body.event === 'sign' || body.event === 'none'))
        .at(-1)?.body.event
    const tubes = tubesOf(blanks).map((tube, index) => ({ ...tube, seen: seen(names[index]!) }))
    if (tubes.length === 0 || tubes.some((tube) => tube.seen === undefined)) return null
    const positive = ({ seen: event }: (typeof tubes)[number]) => event === 'sign'
    const control = tubes.filter(({ holds }) => holds === 'control')
    const blank = tubes.filter(({ holds }) => holds === 'blank')
    const samples = tubes.filter(({ holds }) => holds === 'sample')
    const works = control.length > 0 && blank.length > 0 && control.every(positive) && !blank.some(positive)
    const text = samples.map((tube) => `${tube.what || 'sample'} ${positive(tube) ? 'positive' : 'negative'}`).join(', ')
    const wrong = samples.filter((tube) => positive(tube) !== (tube.expect === 'positive'))
    return {
      text,
      unit: '',
      evidence: evidenceIn(run, (step) => step.id === id),
      judgement: !works
        ? {
            level: 'doubt',
            words: 'The test itself did not work',
            evidence: `Its control must be positive and its blank negative before ${text || 'a sample'} can be read: fresh reagent, then again.`,
          }
        : wrong.length > 0
          ? {
              level: 'open',
              words: `${wrong.length} of ${samples.length} not as expected`,
              evidence: `${text}; control positive, blank negative. Expected: ${samples.map((tube) => `${tube.what || 'sample'} ${tube.expect}`).join(', ')}.`,
            }
          : { level: 'good', words: 'As expected', evidence: `${text}; control positive, blank negative.` },
    }
  },
}
