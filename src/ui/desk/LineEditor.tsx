'use client'

import { useState } from 'react'
import { changeLine, moveLine, removeLine, type LinePart } from '@/core/plan/editPlan'
import { isCharged, isReactant, type Plan } from '@/core/plan/plan'
import { roles, type Role } from '@/core/plan/lists'
import type { ComputedLine } from '@/core/reaction/reactionTable'
import { reactionTable } from '@/core/reaction/reactionTable'
import { editCoefficient } from '@/core/edit/editLine'
import { BottleFields } from './BottleFields'
import { Coefficient } from './Coefficient'
import { RecoveryFields } from './RecoveryFields'
import { TextField } from './fields'
import { SubstanceFields } from './SubstanceFields'
import { groupsServed, type Bottle } from '@/core/stores/bottle'
import { writeQuantity } from '@/core/quantity/write'
import { devices } from '@/core/quantity/device'
import type { Reading } from '@/core/quantity/readQuantity'

interface Props {
  plan: Plan
  computed: ComputedLine
  /** Bottles that hold what this line dispenses. */
  shelf: Bottle[]
  /** The other preparations of the course. */
  otherTitles: string[]
  onChange: (plan: Plan, label: string) => void
}

/** What a line is beside its figures: its part in the reaction, its bottle, its device, its place in the table. */
export function LineEditor({ plan, computed, shelf, otherTitles, onChange }: Props) {
  const { line } = computed
  const { name } = computed.substance
  const [problem, setProblem] = useState<string>()
  const take = (read: Reading<Plan>, label: string) => {
    setProblem(read.ok ? undefined : read.problem)
    if (read.ok) onChange(read.value, label)
  }
  const change = (part: LinePart, what: string) => take(changeLine(plan, line.id, part), `${what} of ${name}`)
  const place = plan.lines.findIndex(({ id }) => id === line.id)
  const { form } = line
  return (
    <div className="line-editor" role="group" aria-label={`Line of ${name}`}>
      <label>
        part
        <select
          className="form-select form-select-sm"
          aria-label="part"
          value={line.role}
          onChange={(event) => change({ role: event.currentTarget.value as Role }, 'part')}
        >
          {roles.map((role) => (
            <option key={role}>{role}</option>
          ))}
        </select>
      </label>
      {line.role === 'intermediate' && (
        // It stands in no equation, so there is no other place for it.
        <label>
          coefficient
          <Coefficient
            line={line}
            name={name}
            readOnly={false}
            onCoefficient={(id, text) => {
              const read = editCoefficient(plan, id, text)
              if (!read.ok) return read.problem
              onChange(read.value, `coefficient of ${name}`)
              return undefined
            }}
          />
        </label>
      )}
      {isCharged(line) && (
        <>
          <BottleFields form={form} onChange={change} />
          <label>
            measured with
            <select
              className="form-select form-select-sm"
              aria-label="measured with"
              value={line.device ?? ''}
              onChange={(event) => change({ device: event.currentTarget.value }, 'device')}
            >
              <option value="">not said</option>
              {devices
                .filter(({ measures }) => measures !== 'temperature')
                .map(({ id, name: words }) => (
                  <option key={id} value={id}>
                    {words}
                  </option>
                ))}
            </select>
          </label>
          <label>
            made in
            <select
              className="form-select form-select-sm"
              aria-label="made in"
              value={line.madeIn ?? ''}
              onChange={(event) => change({ madeIn: event.currentTarget.value }, 'origin')}
            >
              <option value="">from the bottle</option>
              {[...new Set([...otherTitles, ...(line.madeIn ? [line.madeIn] : [])])].map((title) => (
                <option key={title}>{title}</option>
              ))}
            </select>
          </label>
          <label className="check">
            <input
              type="checkbox"
              checked={line.fixed ?? false}
              onChange={(event) => change({ fixed: event.currentTarget.checked }, 'scaling')}
            />
            does not scale
          </label>
        </>
      )}
      {(line.role === 'material' || line.role === 'component') && (
        <RecoveryFields plan={plan} line={line} name={name} onTake={take} />
      )}
      <TextField label="note" value={line.note ?? ''} width="wide" onText={(note) => change({ note }, 'note')} />
      <SubstanceFields plan={plan} substance={computed.substance} onChange={onChange} />
      {shelf.length > 0 && (
        <p className="wide on-shelf">
          On the shelf:{' '}
          {shelf
            .map((bottle) => {
              const served = groupsServed(bottle, plan, reactionTable(plan))
              return `${writeQuantity(bottle.left)} left, ${bottle.place}${served === null ? '' : `, serves ${served} ${served === 1 ? 'group' : 'groups'}`}`
            })
            .join('; ')}
        </p>
      )}
      <span className="line-buttons">
        <button
          type="button"
          onClick={() => onChange(moveLine(plan, line.id, place - 1), `${name} moved up`)}
          disabled={place === 0}
        >
          Up
        </button>
        <button
          type="button"
          onClick={() => onChange(moveLine(plan, line.id, place + 1), `${name} moved down`)}
          disabled={place === plan.lines.length - 1}
        >
          Down
        </button>
        {isReactant(line) && plan.reference !== line.id && line.anchor?.of !== 'ratio' && (
          <button type="button" onClick={() => onChange({ ...plan, reference: line.id }, `ratios counted from ${name}`)}>
            Count ratios from it
          </button>
        )}
        {line.role === 'product' && plan.mainProduct !== undefined && plan.mainProduct !== line.id && (
          <button type="button" onClick={() => onChange({ ...plan, mainProduct: line.id }, `yield counted for ${name}`)}>
            Count the yield for it
          </button>
        )}
        <button type="button" onClick={() => take(removeLine(plan, line.id), `${name} removed`)}>
          Remove
        </button>
      </span>
      {problem && (
        <span className="problem wide" role="alert">
          {problem}
        </span>
      )}
    </div>
  )
}
