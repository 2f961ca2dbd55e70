'use client'

import type { ReactNode } from 'react'
import type { Plan } from '@/core/plan/plan'
import { lineName } from '@/core/plan/lineName'
import { writeFigureText } from '@/core/quantity/write'
import { chargedLines, dispensed } from '@/core/reaction/reactionTable'
import { stepTextPlain } from '@/core/reaction/stepText'
import { resultName } from '@/core/result/outcome'
import { runResults } from '@/core/result/runResults'
import { foldRun } from '@/core/run/foldRun'
import type { Entry } from '@/core/run/entry'
import type { StepState } from '@/core/run/stepState'
import { printed } from '@/core/words/words'
import { Wrote } from '../bench/Wrote'
import { State } from '../figures/State'
import { RunReport } from '../results/RunReport'
import { clockTime, longDay } from '../time'

interface Props {
  plan: Plan
  title: string
  section: string
  /** Where it is, and of which revision; a bench does not ask. */
  room?: string
  revision?: number
  zone: string
  /** The way back. */
  back: ReactNode
  days: { startsAt: string; endsAt: string }[]
  run: { bench: number; members: string; scale: number; entries: Entry[] }
  figures: Readonly<Record<string, Readonly<Record<string, string>>>>
  print: ReactNode
}

const nowhere: ReadonlySet<string> = new Set()

/** A group's run as it stands for good: what was planned and what was taken, every entry with its time and hand, what was struck and why, signatures, pictures, and what came out. */
export function Record({
  plan,
  title,
  section,
  room,
  zone,
  back,
  revision,
  days,
  run: { bench, members, scale, entries },
  figures,
  print,
}: Props) {
  const run = foldRun(plan, scale, entries)
  const results = runResults(run)
  const written = run.steps.filter(({ standing, earlier, struck }) => standing.length + earlier.length + struck.length > 0)
  return (
    <>
      <div className="head">
        <h1>
          {title}, bench {bench}
        </h1>
        <span className="sub">
          {members}; {[section, room].filter(Boolean).join(', ')};{' '}
          {days
            .map(({ startsAt, endsAt }) => `${longDay(startsAt, zone)}, ${clockTime(startsAt, zone)}–${clockTime(endsAt, zone)}`)
            .join('; ')}
          {revision === undefined ? '' : `; plan revision ${revision}`}; scale {scale}
        </span>
        <div className="actions">
          {back}
          {print}
        </div>
      </div>
      <h2 className="section-title">What was taken</h2>
      <table className="ruled amounts-record">
        <thead>
          <tr>
            <th scope="col">substance</th>
            <th scope="col">planned</th>
            <th scope="col">taken</th>
          </tr>
        </thead>
        <tbody>
          {chargedLines(run.planned).map((line) => {
            const planned = dispensed(line)
            const charged = run.charged[line.line.id]
            return (
              <tr key={line.line.id}>
                <td>{lineName(run.plan, line.line)}</td>
                <td className="fig">{planned ? writeFigureText(planned.figure, planned.dimension) : '–'}</td>
                <td className="fig">{charged ? <b>{writeFigureText(charged.figure, charged.measure)}</b> : 'not measured'}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <h2 className="section-title">What was done</h2>
      {written.length === 0 && <p className="quiet">Nothing is written yet.</p>}
      {written.map((state) => (
        <section key={state.step.id} className="record-step" aria-label={printed(state.step.title)}>
          <h3>
            {printed(state.step.title)} <small>{state.startedAt && timesOf(state, zone, days.length > 1)}</small>
          </h3>
          <p className="quiet">{stepTextPlain(state.step.text, run.planned, figures[state.step.id])}</p>
          <Wrote run={run} state={state} onTablet={nowhere} zone={zone} hands />
        </section>
      ))}
      <NotDone steps={run.steps.filter((state) => !written.includes(state))} />
      <h2 className="section-title">What came out</h2>
      {results.outcomes.length === 0 && <p className="quiet">Nothing yet.</p>}
      {results.outcomes.map(({ key, quantity, of, sample, from, dry, text, judgement }) => (
        <div className="written" key={key}>
          <span>
            {resultName(quantity, of)}
            {sample && `, ${sample}`}
            {from && `, of ${from}`}
            {dry === null ? '' : dry ? ', dry' : ', wet'}
            {judgement && <small className="quiet"> {judgement.evidence}</small>}
          </span>
          <b className="fig">{text}</b>
        </div>
      ))}
      {results.outcomes.length > 0 && (
        <p>
          <State level={results.judgement.level}>{results.judgement.words}</State> {results.judgement.evidence}
        </p>
      )}
      <RunReport run={run} results={results} />
    </>
  )
}

/** From when to when a step went on; with its day where there are several. */
function timesOf({ startedAt, endedAt }: StepState, zone: string, several: boolean): string {
  const from = `${several ? `${longDay(startedAt!, zone)}, ` : ''}${clockTime(startedAt!, zone)}`
  const to = endedAt && clockTime(endedAt, zone)
  return to && to !== clockTime(startedAt!, zone) ? `${from}–${to}` : from
}

function NotDone({ steps }: { steps: StepState[] }) {
  if (steps.length === 0) return null
  return <p className="quiet">Nothing stands written in: {steps.map(({ step }) => printed(step.title)).join(', ')}.</p>
}
