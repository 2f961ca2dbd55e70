import { calledBy } from '../../substance/calledBy'
import { pressureMmHg } from '../../lab/lab'
import { lineOf, mainSubstance, substanceOf } from '../../plan/plan'
import { type Substance } from '../../substance/substance'
import { writeNumber } from '../../quantity/write'
import { reactionTable } from '../../reaction/reactionTable'
import { boilsAt } from '../vessel/boilingAt'
import { compareSolvents, type SolventJudged } from './compareSolvents'
import {
  boilDownTo,
  coolingPlan,
  cropFrom,
  cropWithAntisolvent,
  hotVolume,
  impurityThatStays,
  leastRatio,
  mayOilOut,
  secondCrop,
} from './crop'
import { solubilityIn, solubilityAt } from './solubility'
import { solventPairs, type SolventPair } from './solventPairs'
import { cooledTooFast, solventVolume } from './rules'
import { rinseLoss } from '../filter/papers'
import { expectedProductG } from '../vessel/inVessel'
import {
  fact,
  ofLab,
  ofPlan,
  ofRecord,
  ofRun,
  planner,
  rough,
  unknown,
  usual,
  when,
  type Advice,
  type Context,
  type Fact,
} from '../planner'
import { blank, list, named, oneOf, type Blanks } from '../fields'

const fields = [
  blank('soluteG', 'crude', 'g', 0.001, 5000),
  oneOf('way', 'how much solvent', [
    ['curve', 'from the curve'],
    ['factor', 'from the factor'],
    ['portions', 'as much as it took'],
  ]),
  blank('volumeML', 'hot solvent', 'mL', 0.1, 20_000),
  blank('hotC', 'hot', '°C', -20, 200),
  blank('hotS', 'solubility hot', 'g', 0, 500, 'an unknown number of'),
  blank('coldC', 'cold', '°C', -40, 60),
  blank('coldS', 'solubility cold', 'g', 0, 300, 'an unknown number of'),
  oneOf('hotFiltration', 'hot filtration', [
    ['no', 'no'],
    ['yes', 'yes'],
  ]),
  blank('perG', 'factor', 'mL', 0.1, 1000),
  blank('rinseML', 'rinse', 'mL', 0, 1000),
  blank('impurityPercent', 'impurity', '%', 0, 100),
  blank('impurityS', 'solubility of the impurity', 'g', 0, 300, 'an unknown number of'),
  blank('antiML', 'antisolvent', 'mL', 0, 20_000, 'no'),
  blank('antiS', 'solubility in the antisolvent', 'g', 0, 300, 'an unknown number of'),
  blank('secondML', 'boil the liquor down to', 'mL', 0, 20_000),
  list('tried', 'solvents tried', {
    columns: [
      named('solvent', 'solvent', 'solvents'),
      blank('cold', 'holds cold', '', 0, 500),
      blank('hot', 'holds hot', '', 0, 500),
    ],
    add: 'Write down a solvent that was tried',
    fresh: { solvent: '', cold: 0, hot: 0 },
  }),
] as const

export type CrystalliseBlanks = Blanks<typeof fields>

const stepOf = ({ step }: Context) => (step.kind === 'crystallise' ? step : null)

/** Solute and solvent of the step, and the solubility on record between them. */
export function soluteAndSolvent(context: Context): {
  solute: Substance | undefined
  solvent: Substance | undefined
  points: { atC: number; gPer100ML: number }[]
} {
  const step = stepOf(context)
  const solvent = step ? substanceOf(context.plan, lineOf(context.plan, step.solvent)) : undefined
  const solute = mainSubstance(context.plan)
  const points = (solvent && solubilityIn(solute, solvent)) ?? []
  return { solute, solvent, points }
}

/**
 * The solute with every solubility that is known of it: what was tried in tubes, then what the blanks say of the step's own solvent, then what is on record. And the solvents
 * to look at: those of the plan, and the usual ones.
 */
function soluteAmongSolvents(context: Context, filled: CrystalliseBlanks): { solute: Substance; solvents: Substance[] } | null {
  const { solute, solvent, points } = soluteAndSolvent(context)
  if (!solute) return null
  const { plan } = context
  const inPlan = plan.substances.filter(
    (each) =>
      solubilityIn(solute, each) !== undefined ||
      plan.lines.some((line) => line.role === 'solvent' && line.substance === each.id),
  )
  const solvents = [...inPlan, ...(context.solvents ?? [])]
  const [coldC, mmHg] = [filled.coldC, pressureMmHg(context.lab)]
  const found = filled.tried.flatMap(({ solvent: name, cold, hot }) => {
    const of = calledBy(solvents, name)
    const boil = of && boilsAt(of, mmHg)
    return boil && Number(cold) > 0 && Number(hot) > 0
      ? [
          {
            solvent: of.id,
            points: [
              { atC: coldC, gPer100ML: Number(cold) },
              { atC: boil.atC - 1, gPer100ML: Number(hot) },
            ],
          },
        ]
      : []
  })
  const [hotS, coldS] = [filled.hotS, filled.coldS]
  const own =
    solvent && points.length === 0 && hotS > 0 && coldS > 0
      ? [
          {
            solvent: solvent.id,
            points: [
              { atC: coldC, gPer100ML: coldS },
              { atC: filled.hotC, gPer100ML: hotS },
            ],
          },
        ]
      : []
  const source = 'tried in a tube'
  // What was tried here stands instead of the record, or a solvent would make a pair with itself.
  const triedIds = new Set(found.map((each) => each.solvent))
  const onRecord = (solute.solubility ?? []).filter(({ solvent: id }) => !triedIds.has(calledBy(solvents, id)?.id ?? id))
  return {
    solute: { ...solute, solubility: [...[...found, ...own].map((each) => ({ ...each, source })), ...onRecord] },
    solvents,
  }
}

/** Solvents of the plan and the usual ones, judged for the solute. */
export function solventsJudged(context: Context, filled: CrystalliseBlanks): SolventJudged[] {
  const here = soluteAmongSolvents(context, filled)
  return here ? compareSolvents(here.solute, here.solvents, filled.soluteG, filled.coldC, pressureMmHg(context.lab)) : []
}

/** Pairs of solvents whose solubilities are known, with the mixture that gives most back. */
export function pairsJudged(context: Context, filled: CrystalliseBlanks): SolventPair[] {
  const here = soluteAmongSolvents(context, filled)
  return here ? solventPairs(here.solute, here.solvents, filled.soluteG, filled.coldC, pressureMmHg(context.lab)) : []
}

/** What the figures and the advice of a step both rest on. */
function worksOut(context: Context, filled: CrystalliseBlanks) {
  const { solute, solvent } = soluteAndSolvent(context)
  const { soluteG, volumeML, hotS, coldS } = filled
  const hot = filled.hotFiltration === 'yes'
  const curveML = hotS > 0 ? hotVolume(soluteG, hotS, hot) : null
  const factorML = filled.perG * soluteG
  const least = hotS > 0 ? (100 * soluteG) / hotS : null
  const known = coldS > 0
  const crop = cropFrom(soluteG, volumeML, coldS)
  const rinse = rinseLoss(filled.rinseML, coldS, crop.cropG)
  const best = (factor: number) => cropFrom(soluteG, (least ?? volumeML) * factor, coldS)
  const impurityG = (filled.impurityPercent / 100) * soluteG
  const stays = impurityThatStays(volumeML, filled.impurityS)
  const meltsC = solute?.melting?.lowC
  const cool = coolingPlan(volumeML)
  const wanted = { curve: curveML, factor: factorML, portions: volumeML }[filled.way] ?? volumeML
  const name = solvent?.name ?? 'the solvent'
  const names = soluteAmongSolvents(context, filled)?.solvents.map((each) => each.name) ?? []
  const strangers = filled.tried.flatMap(({ solvent: tried }) => (tried && !names.includes(String(tried)) ? [`“${tried}”`] : []))
  return {
    solute,
    solvent,
    soluteG,
    volumeML,
    hotS,
    coldS,
    hot,
    curveML,
    factorML,
    least,
    known,
    crop,
    rinse,
    best,
    impurityG,
    stays,
    meltsC,
    cool,
    wanted,
    name,
    strangers,
  }
}

type Worked = ReturnType<typeof worksOut>

/** The figures that follow. */
function factsOf(at: Worked, context: Context, filled: CrystalliseBlanks): Fact[] {
  const { soluteG, volumeML, hotS, coldS, hot, curveML, factorML, known, crop, rinse, best, impurityG, stays } = at
  return [
    ...(curveML === null
      ? []
      : [
          fact('curve', 'hot solvent by the curve', curveML, 'mL', 0, {
            how: `100·${writeNumber(soluteG, 2)} g ÷ ${writeNumber(hotS, 2)} g, and ${hot ? 40 : 10} % more`,
          }),
        ]),
    // At the bench one figure: what the sentence says, for what this group has got.
    fact('factor', context.measured ? `hot solvent for our ${writeNumber(soluteG, 2)} g` : 'by the factor', factorML, 'mL', 0, {
      how: `${writeNumber(filled.perG, 1)} mL/g × ${writeNumber(soluteG, 2)} g`,
      atBench: true,
    }),
    ...(known
      ? [
          fact('loss', 'stays dissolved cold', crop.lossG, 'g', 2, {
            how: `${writeNumber(volumeML, 0)} mL × ${writeNumber(coldS, 2)} g ÷ 100 mL`,
            atBench: true,
          }),
          fact('best', 'best recovery', 100 * crop.recovery, '%', 0, {
            how: `1 − ${writeNumber(crop.lossG, 2)} ÷ ${writeNumber(soluteG, 2)}`,
            atBench: true,
          }),
          fact('rinse', 'and in the rinse', rinse, 'g', 2),
          fact('ten', 'best with 10 % too much', 100 * best(1.1).recovery, '%', 0, {
            how: 'counted from what just dissolves it',
          }),
          fact('four', 'best with 300 % too much', 100 * best(4).recovery, '%', 0),
          fact(
            'second',
            `second crop from ${writeNumber(filled.secondML, 0)} mL`,
            secondCrop(crop.lossG, filled.secondML, coldS),
            'g',
            2,
            { how: 'kept and melted apart' },
          ),
          ...(filled.antiML > 0 && filled.antiS > 0
            ? [
                fact(
                  'anti',
                  `crop with ${writeNumber(filled.antiML, 0)} mL of antisolvent`,
                  cropWithAntisolvent({
                    soluteG,
                    volumeML,
                    coldGPer100ML: coldS,
                    addML: filled.antiML,
                    antiGPer100ML: filled.antiS,
                  }).cropG,
                  'g',
                  2,
                  { how: 'ln s linear in the volume fraction: a first estimate' },
                ),
              ]
            : []),
        ]
      : []),
    ...(filled.impurityS > 0
      ? [fact('impurity', 'impurity that stays dissolved', stays, 'g', 2, { how: `of ${writeNumber(impurityG, 2)} g` })]
      : []),
  ]
}

/** What to do and to doubt. */
function adviceOf(at: Worked, context: Context, filled: CrystalliseBlanks): Advice[] {
  const { soluteG, volumeML, hotS, coldS, least, known, crop, impurityG, stays, meltsC, cool, wanted, name, strangers } = at
  return [
    ...when(
      strangers.length > 0,
      'stranger',
      'doubt',
      `${strangers.join(', ')}: no solvent of the plan or of the usual ones has that name, so it is not compared. Choose one of those offered.`,
    ),
    ...when(
      !known,
      'unknown',
      'doubt',
      `How much ${name} dissolves cold is not on record: weigh the crude, use as little hot solvent as just dissolves it, and write the solubility here when you have it.`,
    ),
    ...(least !== null && volumeML < least * 0.98
      ? [
          {
            id: 'little',
            level: 'doubt' as const,
            words: `${writeNumber(volumeML, 0)} mL do not dissolve it: at least ${writeNumber(least, 0)} mL are needed at ${writeNumber(filled.hotC, 0)} °C.`,
          },
        ]
      : []),
    ...when(
      known && crop.recovery < 0.8,
      'much',
      'doubt',
      `${writeNumber(crop.lossG, 2)} g, ${writeNumber(100 - 100 * crop.recovery, 0)} %, will stay dissolved. Boil down to ${writeNumber(boilDownTo(soluteG, 0.9, coldS), 0)} mL before it cools to get 90 % back.`,
    ),
    ...when(
      known && hotS > 0 && hotS / coldS < leastRatio,
      'ratio',
      'doubt',
      `Hot dissolves only ${writeNumber(hotS / coldS, 1)} times what cold does; at least ${leastRatio} is wanted. Look for another solvent or a pair.`,
    ),
    ...(meltsC !== undefined && mayOilOut(filled.hotC, meltsC)
      ? [
          {
            id: 'oil',
            level: 'doubt' as const,
            words: `The solution is at ${writeNumber(filled.hotC, 0)} °C and the solute melts at ${writeNumber(meltsC, 0)} °C: it may come as an oil. Use more solvent, cool slowly, seed below the melting point, or take a lower-boiling solvent.`,
          },
        ]
      : []),
    ...when(
      filled.impurityS > 0 && impurityG > stays,
      'impurity',
      'doubt',
      `${writeNumber(impurityG - stays, 2)} g of the impurity come out with the crystals; ${writeNumber((100 * impurityG) / filled.impurityS, 0)} mL would hold all of it.`,
    ),
    ...when(filled.impurityS > 0 && impurityG <= stays, 'impurity', 'good', 'The impurity stays dissolved.'),
    ...when(
      !context.measured && Math.abs(wanted - volumeML) > 0.05 * volumeML,
      'school',
      'open',
      `${filled.way === 'factor' ? 'By the factor' : 'By the curve'} it would be ${writeNumber(wanted, 0)} mL, and ${writeNumber(volumeML, 0)} mL stand here: write it into the table, or choose the other way.`,
    ),
    {
      id: 'cool',
      level: 'open',
      words: `Leave it undisturbed for about ${cool.roomMin} min to room temperature, then ${cool.iceMin} min in ice; scratch or seed if nothing comes.`,
      why: 'fast cooling gives powder and traps impurity',
    },
  ]
}

/** Crystallisation: how much hot solvent, what stays dissolved cold, what too much costs, what brings it back. */
export const crystallising = planner({
  of: 'crystallise',
  title: 'Crystallisation',
  sentences: (say) => [
    say`Take ${'@from'}, ${'soluteG'} of it, up in hot ${'@solvent'}, ${'way'}: ${'volumeML'} at ${'hotC'}, where 100 mL hold ${'hotS'}; cold at ${'coldC'} they hold ${'coldS'}. What comes is ${'@to'}.`,
    say`Filtered hot: ${'hotFiltration'}; at ${'perG'} to the gram by the procedure. Rinse with ${'rinseML'}.`,
    say`Impurity of ${'impurityPercent'} of the crude, of which 100 mL hold ${'impurityS'} cold; antisolvent ${'antiML'} that holds ${'antiS'}; a second crop from ${'secondML'}.`,
    say`Tried in tubes, g to 100 mL: ${'tried'}`,
  ],
  fields,
  doubts: { oil: 'It may come as an oil' },
  rules: [cooledTooFast, solventVolume],
  suggest: (context, typed) => {
    const { table, lab, measured, step } = context
    const own = stepOf(context)
    const { solute, solvent, points } = soluteAndSolvent(context)
    const expected = expectedProductG(context, own?.from)
    const weighed = own !== null && measured?.samples[own.from] !== undefined
    const soluteG = rough(expected || 1)
    const boil = solvent && boilsAt(solvent, pressureMmHg(lab))
    const hottest = points.length > 0 ? Math.max(...points.map(({ atC }) => atC)) : 100
    const hotC = rough(Math.min((boil?.atC ?? 100) - 1, hottest))
    const hotFiltration = typed.hotFiltration === 'yes'
    // The procedure's own factor is that of the plan, whatever a group has charged.
    const expectedInPlan = measured
      ? expectedProductG({ ...context, table: reactionTable(context.plan), measured: undefined })
      : expected
    const planned = own ? (table.lines.find(({ line }) => line.id === own.solvent)?.volume?.value ?? 0) : 0
    const used = measured?.usedML[step.id]
    // It cools by itself and then in ice, as is usual.
    const coldC = 5
    const curve = `solubility of ${solute?.name ?? 'the solute'} in ${solvent?.name ?? 'the solvent'}`
    const holds = (atC: number) =>
      points.length > 0
        ? ofRecord(rough(solubilityAt(points, atC)), `${curve} at ${atC} °C`)
        : unknown(0, `no ${curve} is on record`)
    const hotS = holds(typed.hotC ?? hotC)
    const byCurve = hotS.value > 0 ? hotVolume(soluteG, hotS.value, hotFiltration) : null
    const volumeML =
      used !== undefined
        ? ofRun(rough(used), 'the portions that were written down')
        : planned > 0
          ? ofPlan(rough(planned), 'its line in the table')
          : byCurve !== null
            ? ofRecord(rough(byCurve), `${curve}, and a little more`)
            : usual(rough(10 * soluteG), 'ten millilitres to the gram')
    return {
      soluteG: weighed
        ? ofRun(soluteG, `${own.from}, as it was weighed`)
        : expected > 0
          ? ofPlan(soluteG, 'what a careful group gets')
          : unknown(soluteG, 'how much there is nobody has said'),
      way:
        used !== undefined
          ? ofRun('portions', 'what it took was written down')
          : points.length > 0
            ? ofLab(lab.crystallisationVolume, 'its school')
            : usual('factor', 'no curve is on record'),
      volumeML,
      hotC: boil
        ? ofRecord(hotC, `just below where ${solvent.name} boils, and within the curve`)
        : usual(hotC, 'what the solvent boils at is not on record'),
      hotS,
      coldC: usual(coldC, 'ice and water'),
      coldS: holds(typed.coldC ?? coldC),
      hotFiltration: usual('no', 'only where something stays undissolved'),
      perG:
        planned > 0
          ? ofPlan(
              rough(Math.max(0.1, planned / (typed.soluteG ?? rough(expectedInPlan || 1)))),
              'the solvent of the table over the crude',
            )
          : unknown(0.1, 'no volume stands in the table'),
      rinseML: usual(Math.max(1, Math.round(soluteG)), 'a millilitre to the gram'),
      impurityPercent: usual(2, 'nobody has said how impure'),
      impurityS: unknown(0, 'what the impurity is nobody has said'),
      antiML: unknown(0, 'none is added'),
      antiS: unknown(0, 'none is added'),
      secondML: usual(Math.round(volumeML.value / 4), 'a quarter of the hot solvent'),
      tried: unknown([], 'nothing was tried'),
    }
  },
  tables: (context, filled) => ({ solvents: solventsJudged(context, filled), pairs: pairsJudged(context, filled) }),
  report: (context, filled) => {
    const at = worksOut(context, filled)
    const facts = factsOf(at, context, filled)
    const advice = adviceOf(at, context, filled)
    return { facts, advice }
  },
})

/** Recovery against the volume of solvent, from what just dissolves the crude to five times that. */
export function recoveryByVolume(
  filled: Pick<CrystalliseBlanks, 'soluteG' | 'hotS' | 'coldS'>,
): { volumeML: number; percent: number }[] {
  const { soluteG, hotS, coldS } = filled
  if (!(hotS > 0) || !(coldS > 0)) return []
  const least = (100 * soluteG) / hotS
  return Array.from({ length: 41 }, (_, index) => {
    const volumeML = least * (1 + index / 10)
    return { volumeML, percent: 100 * cropFrom(soluteG, volumeML, coldS).recovery }
  })
}
