import { mLPerG } from '../operations/crystallise/perG'
import { partsUsed } from '../plan/partsUsed'
import { lineOf, substanceOf, type Step } from '../plan/plan'
import { typedFor } from '../plan/typedFor'
import { exact, times } from '../quantity/figure'
import { writeFigureText } from '../quantity/write'
import { computedLine, dispensed, reactionTable, type ReactionTable } from '../reaction/reactionTable'
import type { RunState } from './foldRun'
import { goesOnWithG } from './pools'

/** An amount of a step that follows from what this bench has charged or weighed, and not from the plan alone. */
export interface Changed {
  name: string
  /** What the plan says at this scale, and what it is now, in print. */
  planned: string
  ours: string
  why: string
}

/** Less than this is no other amount, relative. */
const same = 0.005

/**
 * The amounts that a step is done with: the plan's at this scale, or what follows from what was charged and weighed before it, with the reason where that is another. One figure for one thing: sentence, amount and advice of a
 * step take theirs from here.
 */
export function oursIn(run: RunState, step: Step): { table: ReactionTable; changed: Changed[] } {
  const { plan, planned } = run
  // What this step itself has charged does not move what it should be.
  const own = step.kind === 'charge' ? step.line : undefined
  const charged = Object.fromEntries(Object.entries(run.charged).filter(([line]) => line !== own))
  const followed = Object.keys(charged).length === 0 ? planned : reactionTable(plan, charged)
  const hot = hotSolvent(run, step)
  const table = hot
    ? { ...followed, lines: followed.lines.map((line) => (line.line.id === hot.line ? { ...line, volume: hot.volume } : line)) }
    : followed
  const changed = partsUsed(step).flatMap(({ line: id, part }): Changed[] => {
    if (!table.lines.some(({ line }) => line.id === id) || run.charged[id]) return []
    const [before, now] = [dispensed(computedLine(planned, id)), dispensed(computedLine(table, id))]
    if (!before || !now || Math.abs(now.figure.value / before.figure.value - 1) < same) return []
    const [was, is] = [before, now].map(({ figure, dimension }) => writeFigureText(times(figure, exact(part)), dimension))
    return was === is || part === 0
      ? []
      : [
          {
            name: substanceOf(plan, lineOf(plan, id)).name,
            planned: was!,
            ours: is!,
            why: hot?.line === id ? hot.why : whyOf(run, id),
          },
        ]
  })
  return { table, changed }
}

/** What an amount that is no longer the plan's follows from. */
function whyOf({ plan, charged }: RunState, id: string): string {
  const { anchor } = lineOf(plan, id)
  const from = anchor?.of === 'share' ? anchor.line : plan.reference
  const taken = charged[from]
  if (!taken) return 'from what we charged'
  return `from our ${writeFigureText(taken.figure, taken.measure)} of ${substanceOf(plan, lineOf(plan, from)).name}`
}

/** Hot solvent for the crude that was weighed, by the factor of the procedure; null where nothing was weighed or the plan says no volume. */
function hotSolvent({ plan, planned, samples, pools }: RunState, step: Step) {
  if (step.kind !== 'crystallise') return null
  const crude = samples[step.from]
  const solvent = planned.lines.find(({ line }) => line.id === step.solvent)
  if (!crude || !solvent?.volume) return null
  const typedG = typedFor(step).soluteG
  const perG = mLPerG(plan, planned, step, typeof typedG === 'number' ? typedG : undefined)
  if (perG === null) return null
  const grams = goesOnWithG(crude.mass.value, pools[step.from])
  const volume = { ...solvent.volume, value: perG * grams }
  return { line: step.solvent, volume, why: `for our ${writeFigureText({ ...crude.mass, value: grams }, 'mass')} ${step.from}` }
}
