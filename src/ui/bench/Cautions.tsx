import type { RunState } from '@/core/run/foldRun'
import type { Step } from '@/core/plan/plan'
import { CautionLines } from './CautionLines'
import { later } from './later'

const OwnCautions = later(() => import('./OwnCautions').then((module) => module.OwnCautions))

/** What to heed in a step: as it was worked out for the plan; anew where the group has put in steps of its own, which may bring together what the plan does not. */
export function Cautions({ run, step, planned }: { run: RunState; step: Step; planned: readonly string[] }) {
  return run.steps.some(({ putIn }) => putIn) ? <OwnCautions run={run} step={step} /> : <CautionLines cautions={planned} />
}
