'use client'

import { printed } from '@/core/words/words'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState } from 'react'
import type { Lab } from '@/core/lab/lab'
import type { Plan } from '@/core/plan/plan'
import type { Entry } from '@/core/run/entry'
import { foldRun, type RunState } from '@/core/run/foldRun'
import { type StepState } from '@/core/run/stepState'
import { call } from '../call'
import { State } from '../figures/State'
import { ClockFace } from '../run/ClockFace'
import { entryLabel } from '../run/labels'
import { StepThread } from '../run/StepThread'
import type { Numbered } from '../run/useLive'
import { useRun } from '../run/useRun'
import { fetchTheRest, later } from './later'
import { DuePanel } from './DuePanel'
import { RefusedEntries } from './RefusedEntries'
import { Observe } from './Observe'
import type { GraverNote } from '@/reference/graver'
import { StepFace } from './StepFace'
import { Turn, type TurnKind } from './Turn'
import { StrikePanel } from './StrikePanel'
import type { Write } from './write'

const AllDone = later(() => import('./AllDone').then((module) => module.AllDone))
const SignDialog = later(() => import('./SignDialog').then((module) => module.SignDialog))

/** Long enough after the first step stands, ms. */
const restAfterMs = 3000

export interface BenchProps {
  run: string
  bench: number
  members: string
  scale: number
  plan: Plan
  /** What is known to be graver now than when the plan was written. */
  graver: readonly GraverNote[]
  entries: Numbered[]
  zone: string
  lab: Lab
  /** What stands in the blanks that the words of a step name, at this group's scale, by the step. */
  figures: Readonly<Record<string, Readonly<Record<string, string>>>>
  /** First aid and spill measures of the safety sheet. */
  measures: string[]
  /** Opens this run to read, also after the session; null where nobody was given one. */
  readCode: string | null
  /** True where the run is only read. */
  reading: boolean
  /** The server's time while rendering, so that clocks agree before the first tick. */
  now: number
}

/** One group's run at arm's length: the thread of steps, what to do with our amounts, and the one thing to enter. */
export function Bench({
  run: runId,
  bench,
  scale,
  plan,
  graver,
  entries: initial,
  zone,
  lab,
  figures,
  measures,
  readCode,
  reading,
  now,
}: BenchProps) {
  const router = useRouter()
  const { entries, onTablet, refused, held, unkept, write, add, again, drop } = useRun(runId, initial, `Bench ${bench}`)
  const run = useMemo(() => foldRun(plan, scale, entries), [plan, scale, entries])
  const [picked, setPicked] = useState<{ index: number; now: number } | null>(null)
  const [striking, setStriking] = useState<Entry | null>(null)
  const [signing, setSigning] = useState<StepState | null>(null)

  // A step that was opened to look at gives way when the work moves on.
  const shown = picked && picked.now === run.now ? picked.index : run.now
  const state = run.steps[shown]
  const toSign = run.steps.filter(({ signature }) => signature.state === 'due' || signature.state === 'void')
  const struckNow = striking && run.steps.some(({ standing }) => standing.some(({ id }) => id === striking.id)) ? striking : null

  // What later steps need is fetched while the network is there.
  useEffect(() => {
    const soon = setTimeout(() => void fetchTheRest(), restAfterMs)
    return () => clearTimeout(soon)
  }, [])
  useEffect(() => {
    document.querySelector('.thread [aria-current="step"]')?.scrollIntoView({ block: 'nearest' })
  }, [shown])

  // What is due takes the work on, so a step that was opened earlier to look at must not come back.
  const writeDue: Write = (...entry) => {
    setPicked(null)
    write(...entry)
  }

  const booked = entries.length - onTablet.size
  return (
    <div className="bench">
      <header className="strip-top">
        <div className="who">
          <b>
            Bench {bench}
            {reading && ', to read'}
          </b>
          <span>
            {plan.title}
            {scale === 1 ? '' : `, our scale ${scale}`}
          </span>
        </div>
        {run.clocks.map((clock) => (
          <ClockFace key={`${clock.step} ${clock.label}`} clock={clock} zone={zone} initialNow={now} />
        ))}
        <div className="book" role="status">
          {onTablet.size === 0 ? (
            <span>{booked === 1 ? 'one entry in the book' : `all ${booked} entries in the book`}</span>
          ) : (
            <span>
              {onTablet.size} {unkept ? 'on this page only' : 'kept on this tablet'}
              {held ? `: ${held}` : ', on the way to the book'}
            </span>
          )}
          <button
            type="button"
            disabled={onTablet.size > 0 || refused.length > 0}
            onClick={async () => {
              await call('/api/bench', 'DELETE')
              router.refresh()
            }}
          >
            Leave
          </button>
        </div>
      </header>
      <div className="bench-body">
        <StepThread run={run} shown={shown} onShow={(index) => setPicked({ index, now: run.now })} />
        <main className="step-face">
          {state ? (
            <StepFace
              run={run}
              state={state}
              lab={lab}
              figures={figures[state.step.id]}
              zone={zone}
              onTablet={onTablet}
              onStrike={reading ? undefined : (entry) => setStriking(entry)}
              measures={measures}
              graver={graver}
              onSign={reading ? undefined : () => setSigning(state)}
              later={state.status === 'later' && !state.open ? printed(run.steps[run.now]!.step.title) : undefined}
            />
          ) : (
            <AllDone run={run} readCode={reading ? null : readCode} />
          )}
          {(reading ? [] : toSign)
            .filter((each) => each !== state)
            .map((each) => (
              <p className="sign-due" key={each.step.id}>
                <State level="doubt">{printed(each.step.title)} waits for a signature</State>
                <button type="button" onClick={() => setSigning(each)}>
                  A demonstrator signs
                </button>
              </p>
            ))}
          {state && shown !== run.now && (
            <button type="button" className="plain" onClick={() => setPicked(null)}>
              Back to what is now
            </button>
          )}
        </main>
        <div className="pad-side">
          {unkept && (
            <p className="problem" role="alert">
              {unkept}
            </p>
          )}
          <RefusedEntries run={run} refused={refused} onAgain={again} onDrop={drop} />
          {reading ? (
            <section className="pad" aria-label="To read">
              <h2>This run is read</h2>
              <p className="hint">Nothing is written with this code. Open each step in the thread to see what stands in it.</p>
            </section>
          ) : struckNow ? (
            <StrikePanel
              key={struckNow.id}
              run={run}
              entry={struckNow}
              label={entryLabel(
                run.steps.find(({ step }) => step.id === struckNow.step)!,
                struckNow,
              )}
              signed={run.steps.some(({ step, signature }) => step.id === struckNow.step && signature.state === 'signed')}
              write={write}
              onClose={() => setStriking(null)}
            />
          ) : (
            state && (
              <>
                {state.open ? (
                  // What is written in a step ahead keeps it open: the work that is now has not moved on.
                  <DuePanel
                    key={`${state.step.id} ${state.round}`}
                    run={run}
                    state={state}
                    lab={lab}
                    write={state.status === 'now' ? writeDue : write}
                  />
                ) : (
                  <NothingDue state={state} />
                )}
                {turnOf(run, state) && (
                  <Turn
                    key={`${state.step.id} ${state.round} ${turnOf(run, state)}`}
                    kind={turnOf(run, state)!}
                    onTake={(reason) =>
                      (state.status === 'now' ? writeDue : write)(
                        turnOf(run, state)!,
                        state.step.id,
                        {},
                        { supersedes: null, reason },
                      )
                    }
                  />
                )}
                <Observe key={`seen in ${state.step.id}`} step={state.step.id} write={write} />
              </>
            )
          )}
        </div>
      </div>
      {signing && (
        <SignDialog
          run={runId}
          step={signing.step}
          onSigned={(signed) => {
            add({ [runId]: signed })
            setSigning(null)
          }}
          onClose={() => setSigning(null)}
        />
      )}
    </div>
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
