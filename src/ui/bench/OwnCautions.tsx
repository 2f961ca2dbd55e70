import { useMemo } from 'react'
import type { Step } from '@/core/plan/plan'
import type { RunState } from '@/core/run/foldRun'
import { cautionsOf } from '@/core/safety/cautionsOf'
import { CautionLines } from './CautionLines'

/** What to heed in a step where the group has put in steps of its own. How much goes in there nobody has planned: it counts as much as the plan has of it. */
export function OwnCautions({ run, step }: { run: RunState; step: Step }) {
  const cautions = useMemo(() => {
    const whole = (each: Step): Step => (each.kind === 'charge' && each.portion === 0 ? { ...each, portion: 1 } : each)
    return cautionsOf({ ...run.plan, steps: run.plan.steps.map(whole) }, run.planned, whole(step))
  }, [run, step])
  return <CautionLines cautions={cautions} />
}
