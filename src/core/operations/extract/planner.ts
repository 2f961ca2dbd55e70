import { vesselNamed } from '../../matter/state'
import { writeNumber } from '../../quantity/write'
import { mainSubstance } from '../../plan/plan'
import { emulsionLadder } from './layers'
import { discarded } from './rules'
import { shortOfReagent } from './shortOfReagent'
import { planner, type Advice, type Context, type Report } from '../planner'
import { stoodAt } from '../vessel/stoodAt'
import { shaking } from './blanks'
import { amountOf, kHere, layersHere } from './layersHere'
import { shakenWith } from './shakenWith'
import { suggestShaking } from './shakingHere'
import { whatIsTaken, type Target } from './whatIsTaken'
import { layersAdvice } from './layersAdvice'
import { layersOf } from './whereItIs'

/** Extraction: what each portion takes, how many are wanted, which layer lies on top, and what is where after it. */
export const extracting = planner({
  of: 'extract',
  title: 'Extraction',
  sentences: (say, { salt }) => [
    say`Shake with ${'portions'} × ${'portionML'}, drawn into ${'into'}.`,
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
    const here = layersHere(context)
    if (!here) return { facts: [], advice: [noLayers(context, filled.layer)] }
    // What goes into the new layer most is what this step is for.
    const moved = here.followed.flatMap((thing): Target[] => {
      const [held, left] = [amountOf(here.shaken.holds, thing), amountOf(here.left.holds, thing)]
      return held === null || left === null || held <= 0 ? [] : [{ thing, held, taken: Math.max(0, 1 - left / held) }]
    })
    const product = context.plan.mainProduct === undefined ? undefined : mainSubstance(context.plan)
    const target =
      product === undefined
        ? [...moved].sort((a, b) => b.taken * b.held - a.taken * a.held)[0]
        : moved.find(({ thing }) => thing.substance === product)
    const facts: Report['facts'] = []
    const advice: Advice[] = []
    const untold = here.followed.find((thing) => !kHere(context, thing, here.solvent))
    if (untold)
      advice.push({
        id: 'unknown',
        level: 'doubt',
        words: `How ${untold.name} divides between ${here.solvent.name} and water cannot be told: its K is on no record. Write it among the partition coefficients of this step.`,
      })
    const short = shortOfReagent(context, here)
    if (short)
      advice.push({
        id: 'too-little',
        level: 'danger',
        words:
          short.has === null
            ? `How strong ${short.reagent} is is not known, so how much it takes is not either.`
            : `${short.reagent} holds ${writeNumber(short.has, 1)} mmol, and ${short.targets.join(' and ')} ${short.targets.length > 1 ? 'are' : 'is'} ${writeNumber(short.needs, 1)} mmol: it cannot take all of it. Take more.`,
        why: 'an acid or a base goes over as far as the other reaches',
      })
    if (target) {
      const found = whatIsTaken(context, here, { target, short: short !== null }, filled)
      facts.push(...found.facts)
      advice.push(...found.advice)
    }
    advice.push(...layersAdvice(context, here, filled))
    return { facts, advice, ladder: { title: 'If an emulsion stands, gentlest first', rungs: [...emulsionLadder] } }
  },
})

/** Why there are no two layers at a step. */
function noLayers(context: Context, layer: string): Advice {
  const stood = stoodAt(context)
  const named = layer !== '' && stood && !vesselNamed(stood.before, layer)
  return {
    id: 'no-layers',
    level: 'doubt',
    words: named
      ? `There is no layer “${layer}” to shake yet.`
      : shakenWith(context.table, context.step)
        ? 'What is shaken here mixes to one liquid, as far as anybody can say: there are no two layers to part.'
        : 'This step names no liquid to shake with, and no two layers are there to part.',
  }
}
