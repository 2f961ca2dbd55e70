import { nameOfHeld } from '../../substance/heldById'
import { writeNumber } from '../../quantity/write'
import { mainSubstance } from '../../plan/plan'
import { emulsionLadder } from './layers'
import { discarded } from './rules'
import { shortOfReagent } from './shortOfReagent'
import { planner, type Advice, type Report } from '../planner'
import { shaking } from './blanks'
import { flowHere, suggestShaking } from './shakingHere'
import { whatIsTaken, octanolsK } from './whatIsTaken'
import { layersAdvice } from './layersAdvice'
import { layersOf } from './whereItIs'

/** Extraction: what each portion takes, how many are wanted, which layer lies on top, and what is where after it. */
export const extracting = planner({
  of: 'extract',
  title: 'Extraction',
  sentences: (say, { salt }) => [
    say`Shake with ${'portions'} × ${'portionML'}, water at pH ${'pH'}, drawn into ${'into'}.`,
    salt === 'saturated'
      ? say`Salt in the water: ${'salt'}, Setschenow constant ${'setschenow'}.`
      : say`Salt in the water: ${'salt'}.`,
    say`To take out ${'wantedPercent'} of what should go. ${'solutes'}`,
  ],
  fields: shaking,
  suggest: suggestShaking,
  tables: layersOf,
  doubts: { 'on-top': 'Either layer may lie on top' },
  rules: [discarded],
  report: (context, filled) => {
    const here = flowHere(context)
    if (!here)
      return {
        facts: [],
        advice: [
          {
            id: 'no-layers',
            level: 'doubt',
            words: filled.layer
              ? `There is no layer “${filled.layer}” to shake yet.`
              : 'This step names no liquid to shake with, or a flask that holds the other kind of layer.',
          },
        ],
      }
    const { state, flow, shaken } = here
    // What goes into the new layer most is what this step is for.
    const moved = flow.solutes
      .map((solute) => {
        const held = shaken.holds[solute.id] ?? 0
        const left = state.layers.find(({ name }) => name === shaken.name)?.holds[solute.id] ?? 0
        return { solute, name: nameOfHeld(context.plan.substances, solute.id), held, taken: held > 0 ? 1 - left / held : 0 }
      })
      .filter(({ held, solute }) => held > 1e-6 * Math.max(solute.mmol, 1e-9))
    const product = context.plan.mainProduct === undefined ? undefined : mainSubstance(context.plan)
    const target =
      product === undefined
        ? [...moved].sort((a, b) => b.taken * b.held - a.taken * a.held)[0]
        : moved.find(({ solute }) => solute.id === product.id)
    const facts: Report['facts'] = []
    const advice: Advice[] = []
    if (product !== undefined && !target)
      advice.push({
        id: 'unknown',
        level: 'doubt',
        words: `No partition coefficient of ${product.name} is on record: write it among the substances of the first extraction or wash to see how much each portion takes.`,
      })
    const short = shortOfReagent(context)
    if (short)
      advice.push({
        id: 'too-little',
        level: 'danger',
        words:
          short.has === null
            ? `How strong ${short.reagent} is in “${short.title}” is not known, so how much it takes is not either.`
            : `${short.reagent} in “${short.title}” holds ${writeNumber(short.has, 1)} mmol, and ${short.targets.join(' and ')} ${short.targets.length > 1 ? 'are' : 'is'} ${writeNumber(short.needs, 1)} mmol: it cannot take all of it. ${short.typed ? 'How much goes over is not worked out; take' : 'Take'} more.`,
        why: short.typed
          ? 'once the reagent is spent the pH typed here no longer holds'
          : 'an acid or a base goes over as far as the other reaches',
      })
    if (target && !short?.typed) {
      const found = whatIsTaken({ state, shaken, target, short: short?.step === context.step.id }, filled)
      facts.push(...found.facts)
      advice.push(...found.advice)
    }
    if (target) advice.push(...octanolsK(context, target.solute))
    advice.push(...layersAdvice(context, { shaken, filled }))
    return { facts, advice, ladder: { title: 'If an emulsion stands, gentlest first', rungs: [...emulsionLadder] } }
  },
})
