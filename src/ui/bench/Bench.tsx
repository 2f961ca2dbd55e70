'use client'

import { printed } from '@/core/words/words'
import { useEffect, useMemo, useState, type ReactNode } from 'react'
import type { Lab } from '@/core/lab/lab'
import { lineName } from '@/core/plan/lineName'
import { isCharged, type Plan } from '@/core/plan/plan'
import type { FirstAid } from '@/reference/firstAid'
import type { Entry } from '@/core/run/entry'
import { foldRun } from '@/core/run/foldRun'
import { type StepState } from '@/core/run/stepState'
import { State } from '../figures/State'
import { entryLabel } from '../run/labels'
import { StepThread } from '../run/StepThread'
import type { Numbered } from '../run/useLive'
import { useRun } from '../run/useRun'
import { BenchStrip } from './BenchStrip'
import { Due } from './Due'
import { later } from './later'
import { Others, RunId, useOthers } from './others'
import { useRings } from './useRings'
import { StepFace } from './StepFace'
import type { Write } from './write'

const Told = later(() => import('./Told').then((module) => module.Told))
const RefusedEntries = later(() => import('./RefusedEntries').then((module) => module.RefusedEntries))
const StrikePanel = later(() => import('./StrikePanel').then((module) => module.StrikePanel))
const Besides = later(() => import('./Besides').then((module) => module.Besides))
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
  /** What to do first about each thing that can happen. */
  aid: FirstAid
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
  aid,
  readCode,
  reading,
  now,
}: BenchProps) {
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

  const here = state?.step.id ?? plan.steps.at(-1)!.id
  return (
    <div className="bench">
      <BenchStrip
        {...{ run, runId, bench, scale, plan, zone, now, reading, here, entries, onTablet, refused, held, unkept, write }}
      >
        <button type="button" aria-pressed={happened} onClick={() => setHappened(!happened)}>
          Something happened
        </button>
      </BenchStrip>
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
                <IncidentPanel
                  {...{ run, members, aid, zone, write }}
                  emergency={lab.emergency}
                  substances={[...new Set(plan.lines.filter(isCharged).map((line) => lineName(plan, line)))]}
                  step={here}
                  onClose={() => setHappened(false)}
                />
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
