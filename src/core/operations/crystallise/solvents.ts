import type { CrystalliseBlanks } from './blanks'
import { heldById } from '../../substance/heldById'
import { pressureMmHg } from '../../lab/lab'
import { lineOf, mainSubstance, substanceOf } from '../../plan/plan'
import { type Substance } from '../../substance/substance'
import { boilsAt } from '../../substance/boilsAt'
import { compareSolvents, type SolventJudged } from './compareSolvents'
import { solubilityIn } from '../../matter/solubility'
import { solventPairs, type SolventPair } from './solventPairs'
import { type Context } from '../planner'

export const stepOf = ({ step }: Context) => (step.kind === 'crystallise' ? step : null)

/** Millilitres of the hot solvent that its line in the table sets out; 0 where it has no volume. */
export const tableML = (context: Context): number => {
  const step = stepOf(context)
  return (step && context.table.lines.find(({ line }) => line.id === step.solvent)?.volume?.value) ?? 0
}

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
export function soluteAmongSolvents(
  context: Context,
  filled: CrystalliseBlanks,
): { solute: Substance; solvents: Substance[] } | null {
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
    const of = heldById(solvents, name)
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
  const onRecord = (solute.solubility ?? []).filter(({ solvent: id }) => !triedIds.has(id))
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
