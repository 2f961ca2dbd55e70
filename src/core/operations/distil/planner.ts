import { taking } from '../taken'
import { fields, type DistilBlanks } from './blanks'
import { batchOf, inPot, modelOnRecord, pairsOf, volumeOf } from './mixture'
import { asItRuns, windowOf } from './receivers'
import { factsOf, liquidAdvice, worksOut } from './advice'
import { leastLeftML, setUpAdvice } from './setUpAdvice'
import { batchDistillation } from './batch'
import { byWindow, purityOf, recoveryAtPurity, usualPurities, type Fraction } from './fractions'
import { pressureMmHg } from '../../lab/lab'
import { mainSubstance } from '../../plan/plan'
import { heldById } from '../../substance/heldById'
import { boilsAt } from '../../substance/boilsAt'
import { vesselDuring } from '../vessel/stoodAt'
import { endsBeforeDry } from './rules'
import { ofLab, ofPlan, ofRecord, planner, rough, unknown, usual, type Context, type NameOf } from '../planner'

/** The sentence of the activity model, pair by pair. */
function modelSentence(filled: DistilBlanks, nameOf: NameOf): string {
  const model = filled.model
  const names = filled.components
    .filter(({ mmol }) => Number(mmol) > 0)
    .map(({ name }, index) => (name ? nameOf(name) : `component ${index + 1}`))
  if (model === 'ideal' || names.length < 2) return 'The liquid is taken as {model}.'
  const pairs = pairsOf(model === 'van Laar' ? 2 : names.length).map(
    ([i, j]) => `${names[i - 1]} with ${names[j - 1]} {A${i}${j}} and {A${j}${i}}`,
  )
  return `The liquid is taken as {model}, with the constants ${pairs.join(', ')}${model === 'NRTL' ? ', α {alpha}' : ''}.`
}

/** Distillation: which kind, what comes over when, what the thermometer will show, and when to stop. */
export const distilling = planner({
  of: 'distil',
  title: 'Distillation',
  sentences: (say, filled, nameOf) => [
    say`In the pot: ${'components'}`,
    say`A column of ${'stages'} stages at reflux ${'reflux'} that holds ${'holdUpML'}. Stop with ${'stopML'} left in the ${'potML'} flask, at ${'mmHg'}.`,
    modelSentence(filled, nameOf),
    say`Collect ${'wantedOf'} from ${'lowC'} to ${'highC'} at the thermometer, filled with ${'filling'}, ${'stemK'} of its scale outside, ${'lagK'} behind the vapour.`,
  ],
  fields,
  doubts: {
    dryness: 'Distilled to dryness',
    narrow: 'The window is too narrow for a thermometer',
    window: 'The product boils outside the window',
  },
  rules: [endsBeforeDry],
  suggest: (context, typed) => {
    const { plan, lab } = context
    const components = inPot(context)
    // Where nothing is known the pairs are as an ideal solution has them: Λ = 1, τ = 0.
    const none = unknown(typed.model === 'Wilson' ? 1 : 0, 'no constants on record: as an ideal solution has it')
    const product = mainSubstance(plan)
    const substances = components.map(({ name }) => heldById(plan.substances, name)!)
    const onRecord = modelOnRecord(substances)
    const constant = (i: number, j: number) => {
      const value = (typed.model ?? 'Wilson') === 'Wilson' ? onRecord?.[i - 1]?.[j - 1] : undefined
      return value === undefined ? none : ofRecord(rough(value), 'activity constants or the azeotrope of the pair')
    }
    const mmHg = typed.mmHg ?? pressureMmHg(lab)
    const first = [...substances].sort((a, b) => (boilsAt(a, mmHg)?.atC ?? 0) - (boilsAt(b, mmHg)?.atC ?? 0))
    const wanted =
      heldById(substances, typed.wantedOf) ?? (product && substances.includes(product) && plan.mainProduct ? product : first[0])
    const boil = wanted && boilsAt(wanted, mmHg)
    const all = volumeOf(context, { components })
    const pot = vesselDuring(context)
    const flask =
      pot?.kind === 'round-bottom' && pot.sizeML !== undefined
        ? ofPlan(rough(Math.max(5, pot.sizeML)), 'the flask of the plan')
        : usual(rough(Math.max(5, 2 * all)), 'twice what is in it')
    const end = (byK: number) =>
      boil
        ? ofRecord(Math.round(boil.atC + byK), `3 K from where ${wanted.name} boils at this pressure`)
        : unknown(100 + byK, 'what it boils at is not on record')
    return {
      components: ofPlan(components, 'what boils of what is in the pot by then'),
      stages: usual(0, 'no column'),
      reflux: usual(0, 'nothing is sent back'),
      holdUpML: usual(0, 'no column'),
      mmHg: ofLab(rough(pressureMmHg(lab), 4), 'its pressure'),
      model: onRecord
        ? ofRecord('Wilson', 'a pair of them has activity constants or an azeotrope on record')
        : usual('ideal', 'no constants on record'),
      A12: constant(1, 2),
      A21: constant(2, 1),
      A13: constant(1, 3),
      A31: constant(3, 1),
      A23: constant(2, 3),
      A32: constant(3, 2),
      alpha: usual(0.3, 'of most mixtures'),
      // Chosen so that it is safe: nobody is warned of a rest that nobody typed.
      stopML: usual(
        rough(Math.max(1, all * 0.06, 1.05 * leastLeftML(typed.potML ?? flask.value))),
        'six hundredths of the pot, and never so little that the flask runs dry',
      ),
      potML: flask,
      wantedOf: ofPlan(wanted?.id ?? '', product && wanted === product ? 'the product' : 'what boils lowest'),
      lowC: end(-3),
      highC: end(3),
      filling: usual('spirit', 'the thermometer of most laboratories'),
      stemK: usual(0, 'all of it in the vapour'),
      lagK: usual(0, 'it follows at once'),
    }
  },
  tables: fractionTables,
  takes: (_context, { stages }) => (stages > 0 ? [taking('fractionating column', 1, { from: 'plan' })] : []),
  report: (context, filled) => {
    const at = worksOut(context, filled)
    const running = asItRuns(context, filled)
    return {
      facts: [...running.facts, ...factsOf(at)],
      advice: [...running.advice, ...liquidAdvice(at, filled), ...setUpAdvice(at, context)],
    }
  },
})

/** Fractions by the window and by purity, as tables; why there is none where the mixture is refused. */
function fractionTables(context: Context, filled: DistilBlanks): Record<string, unknown> {
  const batch = batchOf(context, filled)
  if (!batch) return {}
  const { mixture, charge, wanted } = batch
  const { lowC, highC } = windowOf(context, filled)
  let curve
  try {
    curve = batchDistillation(mixture, charge)
  } catch (error) {
    if (error instanceof RangeError) return { refused: error.message }
    throw error
  }
  const row = (fraction: Fraction) => ({
    name: fraction.name,
    from_mL: fraction.fromML,
    to_mL: fraction.toML,
    from_C: fraction.fromC,
    to_C: fraction.toC,
    mmol: fraction.mmol,
    purity: purityOf(fraction, wanted),
  })
  return {
    components: mixture.components.map(({ name }) => name),
    fractions: byWindow(curve, lowC, highC).map(row),
    left_mmol: curve.left.map((n, i) => n + curve.inColumn[i]!),
    purities: recoveryAtPurity(curve, wanted, charge.mmol[wanted]!, usualPurities).map(({ purity, recovery, fraction }) => ({
      ...row(fraction),
      purity,
      recovery,
    })),
  }
}
