'use client'

import { writeFigureText } from '@/core/quantity/write'
import { computedLine } from '@/core/reaction/reactionTable'
import type { Entry } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import type { StepState } from '@/core/run/stepState'
import { entryLabel, entryValue } from '../run/labels'
import { clockTime } from '../time'

interface Props {
  run: RunState
  state: StepState
  onTablet: ReadonlySet<string>
  zone: string
  /** Absent where the log is only read. */
  onStrike?: ((entry: Entry) => void) | undefined
  /** Says who wrote each entry, in place of where it is kept. */
  hands?: boolean
}

/** What has been written in a step: readings with their struck forerunners, moments, and the net result beside the plan. */
export function Wrote({ run, state, onTablet, zone, onStrike, hands = false }: Props) {
  const forerunners = (id: string): string[] => {
    const struck = state.struck.filter(({ entry }) => successorOf(state, entry.id) === id)
    return struck.flatMap(({ entry }) => [...forerunners(entry.id), entryValue(entry)])
  }
  const onlyStruck = state.struck.filter(({ entry }) => !successorOf(state, entry.id))
  const net = netLine(run, state)
  return (
    <div className="wrote">
      {[...state.earlier, ...state.standing].map((entry) => {
        return (
          <div className="written" key={entry.id}>
            <span>
              {entryLabel(state, entry)} <small className="quiet">{clockTime(entry.at, zone)}</small>
            </span>
            <span className="fig value">
              {forerunners(entry.id).map((old) => (
                <s key={old}>{old}</s>
              ))}
              <b>{entryValue(entry)}</b>
              {hands ? (
                <small className="quiet">{entry.by}</small>
              ) : (
                <small className={`where ${onTablet.has(entry.id) ? 'doubt' : 'good'}`}>
                  {onTablet.has(entry.id) ? 'kept on this tablet' : 'in the book'}
                </small>
              )}
              {entry.kind === 'observation' && entry.body.picture && (
                <img
                  className="seen"
                  loading="lazy"
                  src={entry.body.picture.startsWith('data:') ? entry.body.picture : `/api/pictures/${entry.id}`}
                  alt={`Seen at ${clockTime(entry.at, zone)}`}
                />
              )}
              {onStrike && (
                <button
                  type="button"
                  className="strike"
                  onClick={() => onStrike(entry)}
                  aria-label={[`Strike ${entryLabel(state, entry)}`, entryValue(entry)].filter(Boolean).join(', ')}
                >
                  Strike
                </button>
              )}
            </span>
          </div>
        )
      })}
      {onlyStruck.map(({ entry, reason }) => (
        <div className="written" key={entry.id}>
          <span>
            {entryLabel(state, entry)} <small className="quiet">struck: {reason}</small>
          </span>
          <span className="fig value">
            <s>{entryValue(entry) || entryLabel(state, entry)}</s>
          </span>
        </div>
      ))}
      {state.struck
        .filter(({ entry }) => successorOf(state, entry.id))
        .map(({ entry, reason, at }) => (
          <p className="why quiet" key={entry.id}>
            Struck {entryValue(entry)} at {clockTime(at, zone)}: {reason}
          </p>
        ))}
      {net && (
        <div className="written net">
          <span>{net.label}</span>
          <span className="fig value">
            <b>{net.value}</b>
            {net.beside && <small className="quiet">{net.beside}</small>}
          </span>
        </div>
      )}
      {state.net?.doubt && <p className="doubt">{state.net.doubt}</p>}
      {state.signature.state === 'signed' && (
        <p className="good">
          Signed by {state.signature.by}, {clockTime(state.signature.at, zone)}
        </p>
      )}
      {state.signature.state === 'void' && (
        <p className="danger">
          <s>
            Signed by {state.signature.by}, {clockTime(state.signature.at, zone)}
          </s>{' '}
          Void: a signed reading was struck. It must be signed again.
        </p>
      )}
    </div>
  )
}

/** The id of the standing or struck entry that took the place of another in this step. */
function successorOf(state: StepState, id: string): string | undefined {
  return [...state.earlier, ...state.standing, ...state.struck.map(({ entry }) => entry)].find(
    (entry) => entry.supersedes === id && entry.kind !== 'strike',
  )?.id
}

function netLine(run: RunState, { step, net }: StepState): { label: string; value: string; beside?: string } | null {
  if (!net) return null
  if (step.kind === 'charge') {
    const planned = computedLine(run.planned, step.line)
    const figure = planned[step.measure]
    return {
      label: `${step.measure === 'mass' ? 'Net' : 'Volume of'} ${planned.substance.name}`,
      value: writeFigureText(net.figure, step.measure),
      ...(figure ? { beside: `plan ${writeFigureText(figure, step.measure)}` } : {}),
    }
  }
  if (step.kind === 'weigh') return { label: `Net ${step.sample}`, value: writeFigureText(net.figure, 'mass') }
  if (step.kind === 'dry') {
    return {
      label: 'Net product',
      value: writeFigureText(net.figure, 'mass'),
      beside: net.agreed ? 'two weighings agree' : 'not constant yet',
    }
  }
  return null
}
