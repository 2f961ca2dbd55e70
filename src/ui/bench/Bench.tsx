'use client'

import { printed } from '@/core/words/words'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState, type ReactNode } from 'react'
import type { Lab } from '@/core/lab/lab'
import type { Plan } from '@/core/plan/plan'
import type { Entry } from '@/core/run/entry'
import { foldRun, type RunState } from '@/core/run/foldRun'
import { leavesUnknown } from '@/core/run/ownSteps'
import { type StepState } from '@/core/run/stepState'
import { call } from '../call'
import { State } from '../figures/State'
import { ClockFace } from '../run/ClockFace'
import { entryLabel } from '../run/labels'
import { StepThread } from '../run/StepThread'
import type { Numbered } from '../run/useLive'
import { forgetBooked } from '../run/useBooked'
import { useRun } from '../run/useRun'
import { forgetPage } from './forgetPage'
import { later } from './later'
import { DuePanel } from './DuePanel'
import { askBefore, finalIn } from '@/core/run/beforeDoing'
import { openCalls } from '@/core/run/calls'
import { Others, RunId, useOthers } from './others'
import { useRings } from './useRings'
import { StepFace } from './StepFace'
import type { TurnKind } from './Turn'
import type { Write } from './write'

const BeforeDoing = later(() => import('./BeforeDoing').then((module) => module.BeforeDoing))
const Told = later(() => import('./Told').then((module) => module.Told))
const Twice = later(() => import('./Twice').then((module) => module.Twice))
const RefusedEntries = later(() => import('./RefusedEntries').then((module) => module.RefusedEntries))
const Turn = later(() => import('./Turn').then((module) => module.Turn))
const StrikePanel = later(() => import('./StrikePanel').then((module) => module.StrikePanel))
const Besides = later(() => import('./Besides').then((module) => module.Besides))
const SayContents = later(() => import('./SayContents').then((module) => module.SayContents))
const WithoutNetwork = later(() => import('./WithoutNetwork').then((module) => module.WithoutNetwork))
const AllDone = later(() => import('./AllDone').then((module) => module.AllDone))
const IncidentPanel = later(() => import('./beside/IncidentPanel').then((module) => module.IncidentPanel))
const SignDialog = later(() => import('./SignDialog').then((module) => module.SignDialog))

export interface BenchProps {
  run: string
  bench: number
  members: string
  scale: number
  plan: Plan
  /** What to heed in each step, by the step. */
  cautions: Readonly<Record<string, readonly string[]>>
  /** The safety sheet, as the first step shows it. */
  safety: ReactNode
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
  members,
  scale,
  plan,
  cautions,
  safety,
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
  const [happened, setHappened] = useState(false)
  useRings(run.clocks)
  const others = useOthers(runId)

  // A step that was opened to look at gives way when the work moves on.
  const shown = picked && picked.now === run.now ? picked.index : run.now
  const state = run.steps[shown]
  const toSign = run.steps.filter(({ signature }) => signature.state === 'due' || signature.state === 'void')
  const struckNow = striking && run.steps.some(({ standing }) => standing.some(({ id }) => id === striking.id)) ? striking : null

  useEffect(() => {
    document.querySelector('.thread [aria-current="step"]')?.scrollIntoView({ block: 'nearest' })
    // The pad of the step before took the focus with it: who works by keys goes on at the step, not at the head of the page.
    if (document.activeElement === document.body)
      document.querySelector<HTMLElement>('.step-face h1')?.focus({ preventScroll: true })
  }, [shown])

  // What is due takes the work on, so a step that was opened earlier to look at must not come back.
  const writeDue: Write = (...entry) => {
    setPicked(null)
    write(...entry)
  }

  const booked = entries.length - onTablet.size
  const here = state?.step.id ?? plan.steps.at(-1)!.id
  const handUp = openCalls(run.calls).some(({ entry }) => entry.kind === 'hand')
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
          <ClockFace key={clock.own ?? `${clock.step} ${clock.label}`} clock={clock} zone={zone} initialNow={now} />
        ))}
        {!reading && (
          <div className="ask">
            <button type="button" disabled={handUp} onClick={() => write('hand', here, { text: '' })}>
              Hand up
            </button>
            <button type="button" aria-pressed={happened} onClick={() => setHappened(!happened)}>
              Something happened
            </button>
          </div>
        )}
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
              await Promise.all([forgetPage(), forgetBooked(runId)])
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
              now={now}
              zone={zone}
              onTablet={onTablet}
              onStrike={reading ? undefined : (entry) => setStriking(entry)}
              cautions={cautions[state.step.id] ?? []}
              safety={safety}
              onSign={reading ? undefined : () => setSigning(state)}
              later={state.status === 'later' && !state.open ? printed(run.steps[run.now]!.step.title) : undefined}
            />
          ) : (
            <AllDone run={run} readCode={reading ? null : readCode} write={reading ? null : write} />
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
        <RunId.Provider value={runId}>
          <Others.Provider value={others}>
            <div className="pad-side">
              {unkept && (
                <p className="problem" role="alert">
                  {unkept}
                </p>
              )}
              {refused.length > 0 && <RefusedEntries run={run} refused={refused} onAgain={again} onDrop={drop} />}
              {reading ? (
                <section className="pad" aria-label="To read">
                  <h2>This run is read</h2>
                  <p className="hint">
                    Nothing is written with this code. Open each step in the thread to see what stands in it.
                  </p>
                </section>
              ) : happened ? (
                <IncidentPanel {...{ run, members, measures, zone, write }} step={here} onClose={() => setHappened(false)} />
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
                <>
                  {run.calls.length > 0 && <Told run={run} zone={zone} write={write} />}
                  {state && (
                    <>
                      <Due
                        // What is written in a step ahead keeps it open: the work that is now has not moved on.
                        {...{ run, state, lab, zone }}
                        write={state.status === 'now' ? writeDue : write}
                        onStrike={(entry) => setStriking(entry)}
                      />
                      <Besides key={`beside ${state.step.id}`} {...{ run, state, lab, bench, zone, write }} />
                    </>
                  )}
                </>
              )}
              <WithoutNetwork />
            </div>
          </Others.Provider>
        </RunId.Provider>
      </div>
      {signing && (
        <SignDialog
          run={runId}
          steps={toSign.map(({ step }) => step)}
          first={signing.step.id}
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

/** What is due in a step, what must be said before it, or which of two figures is wrong; and how the order may be left. */
function Due({
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
