import { changeStep } from '../edit/editPlan'
import { addStep } from '../edit/addStep'
import { mainSubstance, substanceOfSample } from '../plan/plan'
import { writeNumber } from '../quantity/write'
import { computedLine, dispensed, wholeOf } from '../reaction/reactionTable'
import { allThereIs, mainResult } from '../plan/plan'
import type { Query, QueryRule } from './query'

/** Millilitres of hot solvent per gram of product above which a figure looks ten times too large. */
const muchSolvent = 60

/** Cooling too fast, ten times too much solvent, a solid weighed wet for its result, and a melting point without its rate. */
export const solidsAndMelting: QueryRule = (plan, table) =>
  plan.steps.flatMap((step, index): Query[] => {
    const found: Query[] = []
    if (step.kind === 'crystallise') {
      const after = plan.steps[index + 1]
      if (!step.says?.includes('cooled-by-itself'))
        found.push({
          id: `fast-cooling-${step.id}`,
          about: step.id,
          title: 'Cooled too fast',
          evidence:
            'Straight into ice it falls as a powder and traps its impurities. First to room temperature undisturbed, 10 to 20 min, then ice.',
          remedy: {
            label: 'Add the slow cooling',
            apply: (current) =>
              changeStep(current, step.id, {
                text: `${step.text} First leave it to cool to room temperature undisturbed.`,
                says: [...(step.says ?? []), 'cooled-by-itself'],
              }),
          },
        })
      const [whole, result] = [wholeOf(plan, table), mainResult(plan)]
      const volume = dispensed(computedLine(table, step.solvent))?.figure.value
      const known = mainSubstance(plan)?.solubility?.some(
        ({ solvent }) => solvent === computedLine(table, step.solvent).substance.id,
      )
      const grams = whole && result ? whole.value * (result.expected ?? allThereIs).high : 0
      const perG = grams > 0 && volume ? volume / grams : 0
      if (!known && perG > muchSolvent)
        found.push({
          id: `much-solvent-${step.id}`,
          about: step.id,
          title: 'Very much solvent',
          evidence: `${writeNumber(volume!, 0)} mL for about ${writeNumber(grams, 1)} g are ${writeNumber(perG, 0)} mL to the gram. Too much solvent is the commonest cause of a poor crop; is the point in the right place?`,
        })
      if (after?.kind === 'melt')
        found.push({
          id: `undried-${step.id}`,
          about: after.id,
          title: 'From the crystals straight to the capillary',
          evidence: 'Crystals hold solvent: filter and dry them first, or they melt low and broad.',
        })
    }
    if (step.kind === 'weigh' && step.dry) {
      const melts = substanceOfSample(plan, step.sample)?.melting
      const dried = plan.steps.slice(0, index).some((other) => other.kind === 'dry' && other.sample === step.sample)
      if (melts && melts.lowC > 25 && !dried)
        found.push({
          id: `weighed-wet-${step.id}`,
          about: step.id,
          title: 'A solid that nobody dried counts as dry',
          evidence: `“${step.title}” calls ${step.sample} dry, and no step before it dries it to constant mass. Solvent in it counts as yield.`,
          remedy: {
            label: 'Add a step that dries it',
            apply: (current) => addStep(current, 'dry', plan.steps[index - 1]?.id).plan,
          },
        })
    }
    if (step.kind === 'melt' && !step.says?.includes('heated-slowly'))
      found.push({
        id: `melt-rate-${step.id}`,
        about: step.id,
        title: 'How fast is it heated?',
        evidence: 'At 10 °C a minute the thermometer runs ahead of the sample and the range is read several degrees too high.',
        remedy: {
          label: 'Add: 1–2 °C a minute',
          apply: (current) =>
            changeStep(current, step.id, {
              text: `${step.text} Heat fast to 20 °C below, then 1–2 °C a minute.`.trim(),
              says: [...(step.says ?? []), 'heated-slowly'],
            }),
        },
      })
    return found
  })
