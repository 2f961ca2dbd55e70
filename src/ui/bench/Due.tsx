import type { Lab } from '@/core/lab/lab'
import { askBefore, finalIn } from '@/core/run/beforeDoing'
import type { Entry } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import { leavesUnknown } from '@/core/run/ownSteps'
import type { StepState } from '@/core/run/stepState'
import { DuePanel } from './DuePanel'
import { later } from './later'
import type { TurnKind } from './Turn'
import type { Write } from './write'

const BeforeDoing = later(() => import('./BeforeDoing').then((module) => module.BeforeDoing))
const Twice = later(() => import('./Twice').then((module) => module.Twice))
const Turn = later(() => import('./Turn').then((module) => module.Turn))
const SayContents = later(() => import('./SayContents').then((module) => module.SayContents))

/** What is due in a step, what must be said before it, or which of two figures is wrong; and how the order may be left. */
export function Due({
  run,
  state,
  lab,
  zone,
  write,
  onStrike,
}: {
  run: RunState
  state: StepState
  lab: Lab
  zone: string
  write: Write
  onStrike: (entry: Entry) => void
}) {
  const { step, round } = state
  const turn = turnOf(run, state)
  const before = state.open ? askBefore(run, state) : null
  if (run.joined && !run.joined.here)
    return (
      <section className="pad" role="status" aria-label="We work with another group">
        <h2>We go on at bench {run.joined.bench}</h2>
        <p className="hint">What both groups do stands in that bench’s book. Here nothing is due any more.</p>
      </section>
    )
  return (
    <>
      {run.joined && <p className="pad hint">The group of bench {run.joined.bench} works with us.</p>}
      {state.twice.length > 0 ? (
        <Twice state={state} zone={zone} onStrike={onStrike} />
      ) : before ? (
        <BeforeDoing
          key={`${step.id} ${round}`}
          before={before}
          onGoOn={(reason) =>
            write('confirmed', step.id, { question: before.question }, reason === null ? undefined : { supersedes: null, reason })
          }
        />
      ) : state.open ? (
        <DuePanel key={`${step.id} ${round}`} run={run} state={state} lab={lab} write={write} />
      ) : (
        <NothingDue state={state} />
      )}
      {leavesUnknown(step) && state.status !== 'later' && <SayContents step={step.id} write={write} />}
      {turn && (
        <Turn
          key={`${step.id} ${round} ${turn}`}
          kind={turn}
          final={turn === 'skip' ? null : finalIn(step)}
          onTake={(reason) => write(turn, step.id, {}, { supersedes: null, reason })}
        />
      )}
    </>
  )
}

/** How the order may be left at a step: what is now is left out, what is over done once more, what is to come done now. The safety page comes first and once. */
function turnOf(run: RunState, { step, status, open }: StepState): TurnKind | null {
  if (step.kind === 'safety') return null
  if (open) return 'skip'
  if (status === 'done') return 'again'
  const unread = run.steps.some((each) => each.step.kind === 'safety' && each.status !== 'done')
  return unread ? null : 'ahead'
}

function NothingDue({ state }: { state: StepState }) {
  return (
    <section className="pad" aria-label="What to enter now">
      <h2>{state.status === 'done' ? 'This step is done' : 'Nothing to enter yet'}</h2>
      <p className="hint">
        {state.status === 'done'
          ? 'A wrong reading is struck and rewritten; nothing is erased.'
          : 'It comes up by itself when the steps before it are done.'}
      </p>
    </section>
  )
}
