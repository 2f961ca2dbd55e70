import { wordFigures } from '@/core/operations/wordFigures'
import type { Lab } from '@/core/lab/lab'
import type { Step } from '@/core/plan/plan'
import { reactionTable } from '@/core/reaction/reactionTable'
import type { RunState } from '@/core/run/foldRun'
import { measuredOf } from '@/core/run/measured'

/** What stands in the blanks that a step's words name, from what this bench has charged and measured. */
export const ourFigures = (run: RunState, step: Step, lab: Lab): Record<string, string> =>
  wordFigures(run.plan, reactionTable(run.plan, run.charged), step, lab, measuredOf(run))
