import { usualColdC } from './usualCold'
import { fields, type CrystalliseBlanks } from './blanks'
import { soluteAndSolvent, solventsJudged, pairsJudged, stepOf, tableML } from './solvents'
import { adviceOf, factsOf, worksOut } from './advice'
import { pressureMmHg } from '../../lab/lab'
import { reactionTable } from '../../reaction/reactionTable'
import { boilsAt } from '../../substance/boilsAt'
import { cropFrom, hotVolume } from './crop'
import { solubilityAt } from '../../matter/solubility'
import { mLPerG } from './perG'
import { cooledTooFast, solventVolume } from './rules'
import { stoodAt } from '../vessel/stoodAt'
import { crudeHere } from './crudeHere'
import { ofLab, ofPlan, ofRecord, ofRun, planner, rough, unknown, usual, type Said } from '../planner'

/** Less than this is nothing to crystallise, g. */
const leastG = 0.001

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
  either: ['way', 'volumeML'],
  doubts: { oil: 'It may come as an oil' },
  rules: [cooledTooFast, solventVolume],
  suggest: (context, typed) => {
    const { table, lab, measured, step } = context
    const own = stepOf(context)
    const { solute, solvent, points } = soluteAndSolvent(context)
    const weighedG = own === null ? undefined : measured?.samples[own.from]
    const weighed = weighedG !== undefined
    const there = weighedG ?? (own && crudeHere(context.plan, own, stoodAt(context), solute)) ?? 0
    const isThere = there >= leastG
    const soluteG = rough(isThere ? there : 1)
    const boil = solvent && boilsAt(solvent, pressureMmHg(lab))
    const hottest = points.length > 0 ? Math.max(...points.map(({ atC }) => atC)) : 100
    const hotC = rough(Math.min((boil?.atC ?? 100) - 1, hottest))
    const hotFiltration = typed.hotFiltration === 'yes'
    // Whatever a group has charged, the procedure's own factor is that of the plan.
    const perG = own && mLPerG(context.plan, measured ? reactionTable(context.plan) : table, own, typed.soluteG, lab)
    const planned = tableML(context)
    const used = measured?.usedML[step.id]
    const coldC = usualColdC
    const curve = `solubility of ${solute?.name ?? 'the solute'} in ${solvent?.name ?? 'the solvent'}`
    const holds = (atC: number) =>
      points.length > 0
        ? ofRecord(rough(solubilityAt(points, atC)), `${curve} at ${atC} °C`)
        : unknown(0, `no ${curve} is on record`)
    const hotS = holds(typed.hotC ?? hotC)
    const [crudeG, hot] = [typed.soluteG ?? soluteG, typed.hotS ?? hotS.value]
    const byCurve = hot > 0 ? hotVolume(crudeG, hot, hotFiltration) : null
    const inTable = planned > 0 ? ofPlan(rough(planned), 'its line in the table') : null
    const fromCurve = byCurve === null ? null : ofRecord(rough(byCurve), `${curve}, and a little more`)
    const ways: Record<CrystalliseBlanks['way'], Said<number> | null> = {
      table: inTable,
      curve: fromCurve,
      factor: perG === null ? null : ofPlan(rough(perG * crudeG), 'the factor and the crude'),
      portions: used === undefined ? null : ofRun(rough(used), 'the portions that were written down'),
      own: null,
    }
    // The sentence names a way and a volume: the volume is that way's, unless somebody typed another.
    const way: Said<CrystalliseBlanks['way']> =
      used !== undefined
        ? ofRun('portions', 'what it took was written down')
        : typed.volumeML !== undefined
          ? ofPlan('own', 'the volume was typed')
          : // A group is told the volume for the crude that it has (run/ours), and what follows is of that volume.
            weighed && perG !== null
            ? ofRun('factor', 'the crude was weighed')
            : inTable
              ? ofPlan('table', 'its line has an amount')
              : ways[lab.crystallisationVolume]
                ? ofLab(lab.crystallisationVolume, 'its school')
                : usual('portions', 'nothing is on record to work it out from')
    const volumeML =
      ways[typed.way ?? way.value] ?? inTable ?? fromCurve ?? usual(rough(10 * crudeG), 'ten millilitres to the gram')
    return {
      soluteG: weighed
        ? ofRun(soluteG, `${own!.from}, as it was weighed`)
        : isThere
          ? ofPlan(soluteG, 'what is there by then')
          : unknown(soluteG, 'how much there is nobody has said'),
      way,
      volumeML,
      hotC: boil
        ? ofRecord(hotC, `just below where ${solvent.name} boils, and within the curve`)
        : usual(hotC, 'what the solvent boils at is not on record'),
      hotS,
      coldC: usual(coldC, 'ice and water'),
      coldS: holds(typed.coldC ?? coldC),
      hotFiltration: usual('no', 'only where something stays undissolved'),
      perG: perG === null ? unknown(0, 'no volume stands in the table') : ofPlan(perG, 'the solvent of the table over the crude'),
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
