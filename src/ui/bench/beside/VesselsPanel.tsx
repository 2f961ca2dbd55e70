'use client'

import { useMemo, useState } from 'react'
import { grounds, layers, waysOut } from '@/core/measurements/vessels'
import type { Lab } from '@/core/lab/lab'
import { layersBelieved } from '@/core/operations/extract/layersAdvice'
import type { ShakingBlanks } from '@/core/operations/extract/blanks'
import { contextOf, filledFor } from '@/core/operations/planners'
import { operationIn } from '@/core/operations/registry'
import type { Step } from '@/core/plan/plan'
import { reactionTable } from '@/core/reaction/reactionTable'
import { productIsSafe } from '@/core/run/beforeDoing'
import type { RunState } from '@/core/run/foldRun'
import { measuredOf } from '@/core/run/measured'
import { freeLabel, type OwnVessel } from '@/core/run/vessels'
import { clockTime } from '../../time'
import { Reason } from '../Reason'
import { readingOf } from '../readingOf'
import type { PanelProps } from '../panel'

interface Props extends PanelProps {
  run: RunState
  step: Step
  lab: Lab
  bench: number
  zone: string
}

/** What stands where on this bench: each vessel with its label, what is believed to be in it and why, and what became of it. */
export function VesselsPanel({ run, step, lab, bench, zone, write, onClose }: Props) {
  const standing = run.vessels.filter(({ emptied }) => !emptied)
  const gone = run.vessels.filter(({ emptied }) => emptied)
  const [busy, setBusy] = useState<string>()
  return (
    <section className="pad vessels" aria-label="Our vessels">
      <h2>What stands here</h2>
      {standing.length === 0 && <p className="hint">Nothing is set aside yet. Every layer gets a flask with a label.</p>}
      <ul>
        {standing.map((each) => (
          <li key={each.entry.id}>
            <b className="vessel-label">{each.entry.body.label}</b>
            <span>
              {each.entry.body.layer && `${each.entry.body.layer} layer: `}
              {each.entry.body.what}
              <small>
                {each.entry.body.why === 'nobody knows' ? 'unknown: do the drop test' : each.entry.body.why},{' '}
                {clockTime(each.entry.at, zone)}
              </small>
            </span>
            <button
              type="button"
              className="strike"
              aria-expanded={busy === each.entry.id}
              aria-label={`Empty ${each.entry.body.label}`}
              onClick={() => setBusy(busy === each.entry.id ? undefined : each.entry.id)}
            >
              Empty it
            </button>
            {busy === each.entry.id && (
              <EmptyIt
                vessel={each}
                others={standing.filter((other) => other !== each)}
                safe={productIsSafe(run)}
                write={write}
                onDone={() => setBusy(undefined)}
              />
            )}
          </li>
        ))}
      </ul>
      {gone.length > 0 && (
        <p className="hint">
          Emptied:{' '}
          {gone
            .map(
              ({ entry, emptied }) =>
                `${entry.body.label} ${emptied!.body.how}${emptied!.body.into ? ` into ${emptied!.body.into}` : ''}`,
            )
            .join('; ')}
          .
        </p>
      )}
      <SetAside run={run} step={step} lab={lab} write={write} />
      {standing.length > 0 && (
        <button type="button" className="plain" onClick={() => window.print()}>
          Print the labels
        </button>
      )}
      <button type="button" className="plain" onClick={onClose}>
        Close this
      </button>
      <div className="vessel-labels" aria-hidden="true">
        {standing.map(({ entry }) => (
          <div key={entry.id}>
            <b>{entry.body.label}</b>
            <span>
              {entry.body.layer && `${entry.body.layer} layer: `}
              {entry.body.what}
              {entry.body.why === 'nobody knows' && ' (unknown)'}
            </span>
            <small>
              Bench {bench}, {entry.at.slice(0, 10)} {clockTime(entry.at, zone)}
            </small>
          </div>
        ))}
      </div>
    </section>
  )
}

/** A vessel is set aside; where two layers were shaken, what each holds is said beforehand, with the ground for it. */
function SetAside({ run, step, lab, write }: Pick<Props, 'run' | 'step' | 'lab' | 'write'>) {
  const [what, setWhat] = useState('')
  const [why, setWhy] = useState<(typeof grounds)[number]>('it was put in')
  const [layer, setLayer] = useState<(typeof layers)[number]>()
  const [label, setLabel] = useState('')
  const [tare, setTare] = useState('')
  const [problem, setProblem] = useState<string>()
  const believed = useMemo(() => {
    if (!operationIn(step)?.shakes) return null
    const context = contextOf(run.plan, reactionTable(run.plan, run.charged), step, lab, measuredOf(run))
    return layersBelieved(context, filledFor(context) as unknown as ShakingBlanks)
  }, [run, step, lab])
  const free = freeLabel(run.vessels)
  const take = () => {
    if (what.trim() === '') return setProblem('Say what is believed to be in it; “unknown” where nobody knows.')
    const name = label.trim() || free
    if (run.vessels.some(({ entry, emptied }) => !emptied && entry.body.label.toUpperCase() === name.toUpperCase()))
      return setProblem(`${name} stands here already. Another label, such as ${free}.`)
    const read = tare.trim() === '' ? null : readingOf(tare, 'g', 2)
    if (read && !read.ok) return setProblem(read.problem)
    write('vessel', step.id, {
      ...{ label: name, what: what.trim(), why },
      ...(layer ? { layer } : {}),
      ...(read?.ok ? { tareG: read.value.value, decimals: read.value.decimals } : {}),
    })
    setWhat('')
    setLabel('')
    setTare('')
    setLayer(undefined)
    setProblem(undefined)
  }
  return (
    <>
      <div className="choice" role="group" aria-label="Layer">
        {layers.map((each, index) => (
          <button
            key={each}
            type="button"
            aria-pressed={layer === each}
            onClick={() => {
              setLayer(layer === each ? undefined : each)
              const said = believed?.[index]
              if (!said || layer === each) return
              setWhat(said.what)
              setWhy(said.why)
            }}
          >
            {each} layer
          </button>
        ))}
      </div>
      <input
        className="reason"
        aria-label="What is believed to be in it"
        placeholder="what is believed to be in it"
        maxLength={120}
        value={what}
        onChange={(event) => setWhat(event.currentTarget.value)}
      />
      <div className="choice three" role="group" aria-label="Why that is believed">
        {grounds.map((each) => (
          <button key={each} type="button" aria-pressed={why === each} onClick={() => setWhy(each)}>
            {each}
          </button>
        ))}
      </div>
      <div className="head-fields">
        <input
          className="reason"
          aria-label="Label"
          placeholder={`label: ${free}`}
          maxLength={12}
          value={label}
          onChange={(event) => setLabel(event.currentTarget.value)}
        />
        <input
          className="reason"
          aria-label="Its empty mass in g"
          placeholder="empty, g"
          inputMode="decimal"
          value={tare}
          onChange={(event) => setTare(event.currentTarget.value)}
        />
      </div>
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <button type="button" className="go" onClick={take}>
        Set it aside
      </button>
    </>
  )
}

interface EmptyProps {
  vessel: OwnVessel
  others: readonly OwnVessel[]
  /** Nothing that is thrown away now could hold the product. */
  safe: boolean
  write: PanelProps['write']
  onDone: () => void
}

/** What becomes of what is in a vessel. To throw it away before the product is weighed takes a reason. */
function EmptyIt({ vessel: { entry }, others, safe, write, onDone }: EmptyProps) {
  const [how, setHow] = useState<(typeof waysOut)[number]>()
  const [into, setInto] = useState('')
  const [reason, setReason] = useState('')
  const [problem, setProblem] = useState<string>()
  const early = how === 'discarded' && !safe
  const take = () => {
    if (!how) return setProblem('Say what becomes of it.')
    if (how === 'combined' && into === '') return setProblem('Choose the vessel that it goes into.')
    if (early && reason.trim() === '') return setProblem('The product is not weighed yet: say why this can go.')
    write(
      'emptied',
      entry.step,
      { of: entry.id, how, ...(into && how === 'combined' ? { into } : {}) },
      early ? { supersedes: null, reason: reason.trim() } : undefined,
    )
    onDone()
  }
  return (
    <div className="empty-it">
      <div className="choice" role="group" aria-label={`What becomes of ${entry.body.label}`}>
        {waysOut.map((each) => (
          <button key={each} type="button" aria-pressed={how === each} onClick={() => setHow(each)}>
            {each === 'combined' ? 'combine with' : each === 'discarded' ? 'throw away' : each}
          </button>
        ))}
      </div>
      {how === 'combined' && (
        <div className="choice" role="group" aria-label="Into which vessel">
          {others.map((other) => (
            <button
              key={other.entry.id}
              type="button"
              aria-pressed={into === other.entry.body.label}
              onClick={() => setInto(other.entry.body.label)}
            >
              {other.entry.body.label}
            </button>
          ))}
          <button type="button" aria-pressed={into === 'the flask'} onClick={() => setInto('the flask')}>
            the flask
          </button>
        </div>
      )}
      {early && (
        <>
          <p className="danger">The product is not weighed yet. What is thrown away cannot be got back.</p>
          <Reason
            usual={['Tested: nothing of ours in it', 'It is only water', 'The demonstrator says so']}
            value={reason}
            onValue={setReason}
          />
        </>
      )}
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <button type="button" className="plain" onClick={take}>
        Write it down
      </button>
    </div>
  )
}
