'use client'

import { useState } from 'react'
import { fillRule, vesselSizes } from '@/core/operations/vessel/vessel'
import { changeStep, moveStep, removeStep } from '@/core/plan/editPlan'
import { operationIn } from '@/core/operations/registry'
import { lineName } from '@/core/plan/lineName'
import { isCharged, type Plan, type Step, type Vessel } from '@/core/plan/plan'
import { stepFacts, type StepFact } from '@/core/plan/stepFacts'
import { devices } from '@/core/quantity/device'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { wasteStreams } from '@/core/substance/substance'
import { NumberField } from './fields'
import { StepFacts } from './StepFacts'

interface Props {
  plan: Plan
  table: ReactionTable
  step: Step
  onChange: (plan: Plan, label: string) => void
}

/** One step of the procedure open for writing: its words, and the few fields of its kind. */
export function StepEditor({ plan, table, step, onChange }: Props) {
  const change = (part: Record<string, unknown>, what: string) =>
    onChange(changeStep(plan, step.id, part), `${what} of “${step.title}”`)
  const place = plan.steps.findIndex(({ id }) => id === step.id)
  const inputs = plan.lines.filter(isCharged)
  const lineSelect = (key: 'line' | 'solvent', value: string) => (
    <Select
      label={key}
      value={value}
      options={inputs.map((line) => [line.id, lineName(plan, line)])}
      onPick={(id) => change({ [key]: id }, key)}
    />
  )
  const device = (measures: 'mass' | 'volume' | 'temperature', value: string) => (
    <Select
      label="device"
      value={value}
      options={devices.filter((each) => each.measures === measures).map(({ id, name }) => [id, name])}
      onPick={(id) => change({ device: id }, 'device')}
    />
  )
  const minutes = (key: 'holdMin' | 'handsOnMin' | 'waitMin', label: string, value: number) => (
    <NumberField
      label={label}
      value={value}
      least={-1e-9}
      most={10_000}
      onNumber={(number) => change({ [key]: number }, label)}
    />
  )
  return (
    <div className="line-editor step-editor" role="group" aria-label={`Step ${step.title}`}>
      <Text label="title" value={step.title} required onText={(title) => change({ title }, 'title')} />
      <Text label="until" value={step.until ?? ''} onText={(until) => change({ until }, 'finish')} />
      <Text label="what to do" value={step.text} long onText={(text) => change({ text }, 'words')} />
      <span className="wide insert">
        amount of{' '}
        {inputs.map((line) => (
          <button
            type="button"
            key={line.id}
            onClick={() => change({ text: `${step.text}${/\s$|^$/.test(step.text) ? '' : ' '}{${line.id}}` }, 'words')}
          >
            {lineName(plan, line)}
          </button>
        ))}
      </span>
      {step.kind === 'charge' && (
        <>
          {lineSelect('line', step.line)}
          <Select
            label="measured by"
            value={step.measure}
            options={[
              ['mass', 'mass'],
              ['volume', 'volume'],
            ]}
            onPick={(measure) =>
              change(
                measure === 'mass'
                  ? { measure, device: 'balance-0.01', weighing: ['tare', 'difference'] }
                  : { measure, device: 'cylinder-10', weighing: undefined },
                'measure',
              )
            }
          />
          {device(step.measure, step.device)}
          <NumberField
            label="part of it, %"
            value={(step.portion ?? 1) * 100}
            most={100}
            onNumber={(percent) => change({ portion: percent === 100 ? undefined : percent / 100 }, 'part')}
          />
        </>
      )}
      <VesselFields vessel={step.vessel} onVessel={(vessel) => change({ vessel }, 'vessel')} />
      {step.kind === 'pause' && (
        <>
          <Text label="meanwhile" value={step.meanwhile} long onText={(meanwhile) => change({ meanwhile }, 'meanwhile')} />
          <label className="check">
            <input
              type="checkbox"
              checked={step.endsDay}
              onChange={(event) => change({ endsDay: event.currentTarget.checked }, 'end of the day')}
            />
            the work goes on another day
          </label>
        </>
      )}
      {step.kind === 'assemble' && (
        <Text
          label="checks, one to a line"
          value={step.checks.join('\n')}
          long
          required
          onText={(text) =>
            change({ checks: text.split('\n').flatMap((line) => (line.trim() === '' ? [] : [line.trim()])) }, 'checks')
          }
        />
      )}
      {(step.kind === 'reflux' || step.kind === 'hold') && minutes('holdMin', 'clock, min', step.holdMin)}
      {(step.kind === 'weigh' || step.kind === 'dry') && (
        <>
          <Text label="sample" value={step.sample} required onText={(sample) => change({ sample }, 'sample')} />
          {device('mass', step.device)}
        </>
      )}
      {step.kind === 'melt' && (
        <Text label="sample" value={step.sample} required onText={(sample) => change({ sample }, 'sample')} />
      )}
      {step.kind === 'crystallise' && (
        <>
          {lineSelect('solvent', step.solvent)}
          <Text label="from sample" value={step.from} required onText={(from) => change({ from }, 'sample')} />
          <Text label="to sample" value={step.to} required onText={(to) => change({ to }, 'sample')} />
        </>
      )}
      {minutes('handsOnMin', 'hands on, min', step.handsOnMin)}
      {minutes('waitMin', 'waiting, min', step.waitMin)}
      <Facts
        legend="so it is"
        facts={operationIn(step)?.asks ?? []}
        step={step}
        onSays={(says, fact) => change({ says }, fact)}
      />
      {operationIn(step)?.place === 'waste' && (
        <fieldset className="wide ticks">
          <legend>something goes into</legend>
          {wasteStreams.map((stream) => (
            <label className="check" key={stream}>
              <input
                type="checkbox"
                checked={step.waste?.includes(stream) ?? false}
                onChange={(event) => change({ waste: toggled(step.waste, stream, event.currentTarget.checked) }, stream)}
              />
              {stream}
            </label>
          ))}
        </fieldset>
      )}
      <Text label="caution" value={step.caution ?? ''} onText={(caution) => change({ caution }, 'caution')} />
      <label className="check">
        <input
          type="checkbox"
          checked={step.witness ?? false}
          onChange={(event) => change({ witness: event.currentTarget.checked }, 'witness')}
        />
        a demonstrator signs
      </label>
      <StepFacts plan={plan} table={table} step={step} />
      <span className="line-buttons">
        <button
          type="button"
          disabled={place === 0}
          onClick={() => onChange(moveStep(plan, step.id, place - 1), `“${step.title}” moved up`)}
        >
          Up
        </button>
        <button
          type="button"
          disabled={place === plan.steps.length - 1}
          onClick={() => onChange(moveStep(plan, step.id, place + 1), `“${step.title}” moved down`)}
        >
          Down
        </button>
        <button type="button" onClick={() => onChange(removeStep(plan, step.id), `“${step.title}” removed`)}>
          Remove
        </button>
      </span>
    </div>
  )
}

const toggled = <T,>(list: readonly T[] | undefined, item: T, on: boolean): T[] => [
  ...(list ?? []).filter((each) => each !== item),
  ...(on ? [item] : []),
]

/** Facts that the rules ask of a step, ticked where they hold; those of its operation, and gas, which may come off anywhere. */
function Facts({
  legend,
  facts,
  step,
  onSays,
}: {
  legend: string
  facts: readonly StepFact[]
  step: Step
  onSays: (says: StepFact[], fact: string) => void
}) {
  return (
    <fieldset className="wide ticks">
      <legend>{legend}</legend>
      {[...facts, 'gas-comes' as const].map((fact) => (
        <label className="check" key={fact}>
          <input
            type="checkbox"
            checked={step.says?.includes(fact) ?? false}
            onChange={(event) => onSays(toggled(step.says, fact, event.currentTarget.checked), stepFacts[fact])}
          />
          {stepFacts[fact]}
        </label>
      ))}
    </fieldset>
  )
}

function VesselFields({ vessel, onVessel }: { vessel: Vessel | undefined; onVessel: (vessel: Vessel | undefined) => void }) {
  const kinds = Object.keys(fillRule) as Vessel['kind'][]
  return (
    <>
      <Select
        label="vessel"
        value={vessel?.kind ?? ''}
        options={[['', 'not said'], ...kinds.map((kind): [string, string] => [kind, kind])]}
        onPick={(kind) =>
          onVessel(kind === '' ? undefined : { kind: kind as Vessel['kind'], sizeML: vesselSizes[kind as Vessel['kind']][3]! })
        }
      />
      {vessel && (
        <Select
          label="size, mL"
          value={String(vessel.sizeML)}
          options={vesselSizes[vessel.kind].map((size): [string, string] => [String(size), String(size)])}
          onPick={(size) => onVessel({ ...vessel, sizeML: Number(size) })}
        />
      )}
    </>
  )
}

function Select({
  label,
  value,
  options,
  onPick,
}: {
  label: string
  value: string
  options: readonly (readonly [string, string])[]
  onPick: (value: string) => void
}) {
  return (
    <label>
      {label}
      <select
        aria-label={label}
        className="form-select form-select-sm"
        value={value}
        onChange={(event) => onPick(event.currentTarget.value)}
      >
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  )
}

/** Words that are written down on leaving the field, or on Enter where they are one line. */
function Text({
  label,
  value,
  long,
  required,
  onText,
}: {
  label: string
  value: string
  long?: boolean
  required?: boolean
  onText: (text: string) => void
}) {
  const [text, setText] = useState<string>()
  const [problem, setProblem] = useState<string>()
  const commit = () => {
    if (text === undefined) return
    if (required && text.trim() === '') return setProblem(`A ${label} is needed.`)
    setProblem(undefined)
    setText(undefined)
    if (text !== value) onText(text.trim())
  }
  const common = {
    'aria-label': label,
    className: 'form-control form-control-sm',
    value: text ?? value,
    onChange: (event: { currentTarget: { value: string } }) => setText(event.currentTarget.value),
    onBlur: commit,
    'aria-invalid': problem ? (true as const) : undefined,
  }
  return (
    <label className={long ? 'wide' : 'half'}>
      {label}
      {long ? <textarea rows={2} {...common} /> : <input {...common} onKeyDown={(event) => event.key === 'Enter' && commit()} />}
      {problem && (
        <span className="problem" role="alert">
          {problem}
        </span>
      )}
    </label>
  )
}
