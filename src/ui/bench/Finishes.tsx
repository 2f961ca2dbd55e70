import { finishOf } from '@/core/run/finish'
import type { RunState } from '@/core/run/foldRun'
import type { StepState } from '@/core/run/stepState'
import { State } from '../figures/State'
import { useNow } from '../useNow'

/** How near a step is to its end, while it goes on. */
export function Finishes({ run, state, initialNow }: { run: RunState; state: StepState; initialNow: number }) {
  const finishes = finishOf(run, state, useNow(initialNow))
  if (finishes.length === 0) return null
  return (
    <div className="finishes" role="status">
      {finishes.map(({ level, words }) => (
        <p key={words}>
          <State level={level}>{words}</State>
        </p>
      ))}
    </div>
  )
}
