import type { CrystalliseBlanks } from './blanks'
import { saturatedAtC } from '../../matter/solubility'
import { soluteAmongSolvents, soluteAndSolvent, stepOf, tableML } from './solvents'
import { heldById } from '../../substance/heldById'
import { writeNumber } from '../../quantity/write'
import {
  boilDownTo,
  coolingPlan,
  cropFrom,
  cropWithAntisolvent,
  hotVolume,
  impurityThatStays,
  leastRatio,
  mayOilOut,
  meltsLowerK,
  secondCrop,
} from './crop'
import { rinseLoss } from '../filter/papers'
import { fact, when, type Advice, type Context, type Fact } from '../planner'

/**
 * The volume that this one is held against, and whose it is: the curve's or the factor's where that way was chosen, otherwise that of the laboratory's school, and the factor's where nothing is on record. Null where it is measured out by what it takes.
 */
function volumeHeldAgainst(
  { lab }: Context,
  { way }: CrystalliseBlanks,
  volumes: Record<'curve' | 'factor', number | null>,
): ['curve' | 'factor', number | null] {
  const asked = way === 'table' || way === 'own' ? lab.crystallisationVolume : way
  const kind = asked === 'factor' || volumes.curve === null ? 'factor' : 'curve'
  return [kind, asked === 'portions' ? null : volumes[kind]]
}

/** What the figures and the advice of a step both rest on. */
export function worksOut(context: Context, filled: CrystalliseBlanks) {
  const { solute, solvent } = soluteAndSolvent(context)
  const { soluteG, volumeML, hotS, coldS } = filled
  const hot = filled.hotFiltration === 'yes'
  const curveML = hotS > 0 ? hotVolume(soluteG, hotS, hot) : null
  const factorML = filled.perG > 0 ? filled.perG * soluteG : null
  const least = hotS > 0 ? (100 * soluteG) / hotS : null
  const known = coldS > 0
  const crop = cropFrom(soluteG, volumeML, coldS)
  const rinse = rinseLoss(filled.rinseML, coldS, crop.cropG)
  const best = (factor: number) => cropFrom(soluteG, (least ?? volumeML) * factor, coldS)
  const impurityG = (filled.impurityPercent / 100) * soluteG
  const stays = impurityThatStays(volumeML, filled.impurityS)
  const entry = solvent && solute?.solubility?.find((each) => each.solvent === solvent.id)
  const melts = solute?.melting?.lowC
  const meltsUnderC = entry?.oilsAboveC ?? (melts === undefined ? undefined : melts - meltsLowerK)
  const strength = (100 * soluteG) / volumeML
  // A solution that is not yet saturated when it boils separates only when it has cooled to where it is.
  const separatesC =
    hotS > 0 && coldS > 0
      ? Math.min(
          filled.hotC,
          saturatedAtC(
            [
              { atC: filled.coldC, gPer100ML: coldS },
              { atC: filled.hotC, gPer100ML: hotS },
            ],
            strength,
          ) ?? filled.hotC,
        )
      : filled.hotC
  const damp = stepOf(context) && isDamp(context, stepOf(context)!.from)
  const cool = coolingPlan(volumeML)
  const plannedML = tableML(context)
  const [school, bySchoolML] = volumeHeldAgainst(context, filled, { curve: curveML, factor: factorML })
  const name = solvent?.name ?? 'the solvent'
  const offered = soluteAmongSolvents(context, filled)?.solvents ?? []
  const strangers = filled.tried.flatMap(({ solvent: tried }) => (tried && !heldById(offered, tried) ? [`“${tried}”`] : []))
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
    meltsUnderC,
    onRecord: entry?.oilsAboveC !== undefined,
    separatesC,
    damp,
    cool,
    plannedML,
    school,
    bySchoolML,
    name,
    strangers,
  }
}

type Worked = ReturnType<typeof worksOut>

/** The figures that follow. */
export function factsOf(at: Worked, context: Context, filled: CrystalliseBlanks): Fact[] {
  const { soluteG, volumeML, hotS, coldS, hot, curveML, factorML, known, crop, rinse, best, impurityG, stays } = at
  return [
    ...(curveML === null
      ? []
      : [
          fact('curve', 'hot solvent by the curve', curveML, 'mL', 0, {
            how: `100·${writeNumber(soluteG, 2)} g ÷ ${writeNumber(hotS, 2)} g, and ${hot ? 40 : 10} % more`,
          }),
        ]),
    ...(factorML === null
      ? []
      : [
          // At the bench one figure: what the sentence says, for what this group has got.
          fact(
            'factor',
            context.measured ? `hot solvent for our ${writeNumber(soluteG, 2)} g` : 'by the factor',
            factorML,
            'mL',
            0,
            {
              how: `${writeNumber(filled.perG, 1)} mL/g × ${writeNumber(soluteG, 2)} g`,
              atBench: true,
            },
          ),
        ]),
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

/** How far it may be boiled down: never to less than holds it hot, for then it comes while it boils and carries impurity with it. */
function boilingDown({ soluteG, coldS, least, volumeML }: Worked): string {
  const for90 = boilDownTo(soluteG, 0.9, coldS)
  if (least === null || for90 >= least) return `Boil down to ${writeNumber(for90, 0)} mL before it cools to get 90 % back.`
  const most = cropFrom(soluteG, least, coldS).recovery
  return volumeML > least * 1.02
    ? `Boil down to ${writeNumber(least, 0)} mL and no further, which just hold it hot: that brings back ${writeNumber(100 * most, 0)} % at the most. For more take another solvent.`
    : `It cannot be boiled down: less than ${writeNumber(least, 0)} mL do not hold it hot. Take another solvent, or a second crop.`
}

/** True where the sample that is crystallised was weighed before it was dry. */
function isDamp({ plan, step }: Context, sample: string): boolean {
  const before = plan.steps.slice(0, plan.steps.indexOf(step))
  const last = before.findLast((each) => (each.kind === 'weigh' || each.kind === 'dry') && each.sample === sample)
  return last?.kind === 'weigh' && !last.dry
}

/** Two volumes that are not the same for whoever measures them. */
const apart = (oneML: number, otherML: number) => Math.abs(oneML - otherML) > 0.05 * otherML

/** What to do and to doubt. */
export function adviceOf(at: Worked, context: Context, filled: CrystalliseBlanks): Advice[] {
  const { soluteG, volumeML, hotS, coldS, least, known, crop, impurityG, stays, cool, name, strangers } = at
  const { meltsUnderC, onRecord, separatesC, damp, plannedML, school, bySchoolML } = at
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
      `${writeNumber(crop.lossG, 2)} g, ${writeNumber(100 - 100 * crop.recovery, 0)} %, will stay dissolved. ${boilingDown(at)}`,
    ),
    ...when(
      known && hotS > 0 && hotS / coldS < leastRatio,
      'ratio',
      'doubt',
      `Hot dissolves only ${writeNumber(hotS / coldS, 1)} times what cold does; at least ${leastRatio} is wanted. Look for another solvent or a pair.`,
    ),
    ...(meltsUnderC !== undefined && mayOilOut(separatesC, meltsUnderC)
      ? [
          {
            id: 'oil',
            level: 'doubt' as const,
            words: `It begins to separate at about ${writeNumber(separatesC, 0)} °C, and under ${name} it is liquid above ${onRecord ? '' : 'about '}${writeNumber(meltsUnderC, 0)} °C: it may come as an oil. Use more solvent, cool slowly, seed below that, or take a lower-boiling solvent.`,
            ...(onRecord
              ? {}
              : {
                  why: `its melting point less ${meltsLowerK} K for what dissolves in it: nobody has measured it in this solvent`,
                }),
          },
        ]
      : []),
    ...when(
      damp === true,
      'damp',
      'doubt',
      `The crude was weighed damp: ${writeNumber(soluteG, 2)} g are an upper bound, and so is every figure from them. Add hot solvent in portions until it just dissolves.`,
    ),
    ...when(
      filled.impurityS > 0 && impurityG > stays,
      'impurity',
      'doubt',
      `${writeNumber(impurityG - stays, 2)} g of the impurity come out with the crystals; ${writeNumber((100 * impurityG) / filled.impurityS, 0)} mL would hold all of it.`,
    ),
    ...when(filled.impurityS > 0 && impurityG <= stays, 'impurity', 'good', 'The impurity stays dissolved.'),
    ...when(
      !context.measured && apart(bySchoolML ?? volumeML, volumeML),
      'school',
      'open',
      `${school === 'factor' ? 'By the factor' : 'By the curve'} it would be ${writeNumber(bySchoolML ?? volumeML, 0)} mL, and ${writeNumber(volumeML, 0)} mL stand here: take that, or leave it as it is.`,
    ),
    ...when(
      !context.measured && plannedML > 0 && apart(plannedML, volumeML),
      'table',
      'open',
      `The table sets ${writeNumber(plannedML, 0)} mL of ${name} out, and ${writeNumber(volumeML, 0)} mL stand here: let the same stand in both.`,
    ),
    {
      id: 'cool',
      level: 'open',
      words: `Leave it undisturbed for about ${cool.roomMin} min to room temperature, then ${cool.iceMin} min in ice; scratch or seed if nothing comes.`,
      why: 'fast cooling gives powder and traps impurity',
    },
  ]
}
