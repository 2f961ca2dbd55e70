import { printed } from '@/core/words/words'
import type { RunState } from '@/core/run/foldRun'

const words = { done: 'done', now: 'now', later: 'cannot yet' } as const

/** The way back and ahead: every step with its state. Steps done can be opened again to look or to correct. */
export function StepThread({ run, shown, onShow }: { run: RunState; shown: number; onShow: (index: number) => void }) {
  return (
    <nav className="thread" aria-label="Steps">
      <ol>
        {run.steps.map(({ step, status, signature, skipped, round, ahead }, index) => {
          const waits = signature.state === 'due' || signature.state === 'void'
          const state = skipped !== null ? 'left out' : status === 'later' && index === run.now + 1 ? 'next' : words[status]
          const otherwise = [
            ...(skipped !== null ? ['left out'] : []),
            ...(round > 1 ? [`${round} times`] : []),
            ...(ahead !== null ? ['out of turn'] : []),
          ]
          return (
            <li key={step.id} className={skipped !== null ? `${status} skipped` : status}>
              <button type="button" aria-current={index === shown ? 'step' : undefined} onClick={() => onShow(index)}>
                <i aria-hidden="true" />
                <span>
                  {printed(step.title)}
                  <span className="visually-hidden">, {state}</span>
                  {otherwise.length > 0 && <small>{otherwise.join(', ')}</small>}
                  {waits && <small>{signature.state === 'void' ? 'signature void' : 'waits for a signature'}</small>}
                </span>
              </button>
            </li>
          )
        })}
      </ol>
    </nav>
  )
}
