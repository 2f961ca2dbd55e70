import { taking } from '../taken'
import { mainSubstance } from '../../plan/plan'
import { writeNumber } from '../../quantity/write'
import { solubilityAt } from '../../matter/solubility'
import { filteringFor, flutedPaper, rinseLoss, rinseML, suctionPaper } from './papers'
import { liquidMLIn, solidGIn, vesselDuring } from '../vessel/stoodAt'
import { fact, ofPlan, ofRecord, planner, rough, unknown, usual, when } from '../planner'
import { blank, anySubstance, oneOf } from '../fields'

const fields = [
  oneOf('keep', 'what is kept', ['solid', 'solution']),
  blank('volumeML', 'volume', 'mL', 0.1, 20_000),
  blank('solidG', 'solid', 'g', 0, 5000),
  oneOf('heat', 'how', [
    ['cold', 'cold'],
    ['hot', 'hot'],
  ]),
  blank('times', 'rinses', '×', 0, 10),
  blank('rinseML', 'each rinse', 'mL', 0, 1000),
  anySubstance('rinseWith', 'rinsed with', 'solvents'),
  blank('solubility', 'solubility cold', 'g', 0, 300, 'an unknown number of'),
] as const

/** Filtering: by what, on which paper, and what the rinse costs. */
export const filtering = planner({
  of: 'filter',
  title: 'Filtering',
  sentences: (say) => [
    say`Keep the ${'keep'} of ${'volumeML'} with ${'solidG'} of solid, ${'heat'}; rinse ${'times'} with ${'rinseML'} of cold ${'rinseWith'}, which dissolves ${'solubility'} in 100 mL.`,
  ],
  fields,
  suggest: (context, typed) => {
    const { plan } = context
    const vessel = vesselDuring(context)
    const there = solidGIn(vessel)
    const solidG = rough(there ?? 1)
    const liquidML = liquidMLIn(vessel)
    const rinseWith = typed.rinseWith ?? ''
    const points = mainSubstance(plan)?.solubility?.find((each) => each.solvent === rinseWith)?.points
    return {
      keep: usual('solid', 'most filtrations are for the solid'),
      volumeML: liquidML
        ? ofPlan(rough(Math.max(1, liquidML)), 'what is in the vessel by then')
        : usual(rough(Math.max(1, 10 * solidG)), 'ten millilitres to the gram of solid'),
      solidG: there === null ? unknown(solidG, 'how much has come out nobody can say') : ofPlan(solidG, 'what is solid by then'),
      heat: usual('cold', 'most filtrations are cold'),
      times: usual(1, 'one rinse'),
      rinseWith: unknown(rinseWith, 'nobody has said with what it is rinsed'),
      rinseML: usual(rinseML(solidG), 'one or two millilitres to the gram'),
      solubility: points
        ? ofRecord(rough(solubilityAt(points, 5)), 'solubility of the product at 5 °C')
        : unknown(0, 'the solubility of the product in it is not on record'),
    }
  },
  takes: (_context, { keep, heat, volumeML, solidG }) => {
    const { way } = filteringFor(keep === 'solution' ? 'solution' : 'solid', heat === 'hot', volumeML)
    if (way === 'cotton plug') return [taking('funnel'), taking('cotton wool')]
    const suction = way === 'suction'
    const which = `${suction ? suctionPaper(solidG) : flutedPaper(volumeML)} mm`
    // One more, for when it clogs.
    return [taking(suction ? 'suction funnel and flask' : 'funnel'), taking('filter paper', 2, { which, from: 'plan' })]
  },
  report: (_context, filled) => {
    const keep = filled.keep === 'solution' ? 'solution' : 'solid'
    const { volumeML, solidG, times, rinseML: each, solubility } = filled
    const { way, why } = filteringFor(keep, filled.heat === 'hot', volumeML)
    const loss = rinseLoss(times * each, solubility, solidG)
    const paper = way === 'suction' ? suctionPaper(solidG) : way === 'cotton plug' ? null : flutedPaper(volumeML)
    return {
      facts: [
        ...(paper === null
          ? []
          : [
              fact('paper', 'paper', paper, 'mm', 0, {
                how:
                  way === 'suction'
                    ? `${writeNumber(solidG, 1)} g at 2 mL to the gram, no thicker than 10 mm`
                    : 'holds a third of the liquid at a time',
                atBench: true,
              }),
            ]),
        ...(keep === 'solid'
          ? [
              fact('loss', 'lost in the rinses', loss, 'g', 2, {
                how: `${times} × ${writeNumber(each, 0)} mL × ${writeNumber(solubility, 2)} g ÷ 100 mL${solubility === 0 ? '; no cold solubility on record' : ''}`,
                atBench: solubility > 0,
              }),
            ]
          : []),
      ],
      advice: [
        { id: 'way', level: 'open', words: `Take ${way}.`, why },
        ...when(
          keep === 'solid' && solidG > 0 && loss > 0.05 * solidG,
          'rinse',
          'doubt',
          `The rinses take ${writeNumber((100 * loss) / solidG, 0)} % of it: rinse with less, ice-cold, or with a solvent that dissolves less.`,
        ),
        ...when(
          way === 'suction',
          'dry',
          'open',
          'Wet the paper, press the cake flat, draw air until the paper is dry and opaque and the powder falls off the spatula.',
        ),
        { id: 'clog', level: 'open', words: 'When it clogs, change the paper: it can cost hours.' },
      ],
    }
  },
})
