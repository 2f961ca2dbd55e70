'use client'

import { operationKeys, operations, type OperationKey } from '@/core/operations/registry'
import { planners } from '@/core/operations/planners'
import type { ProposedStep, StepChange } from '@/core/reading/handout/proposal'
import type { ReadField } from '@/core/reading/handout/step'
import { readInUnit } from '@/core/quantity/readQuantity'
import { useWritten } from '../../useWritten'

const clocks: Readonly<Record<string, string>> = { '@holdMin': 'for how long', '@waitMin': 'waiting' }

/** What a field that was read is called, and its unit. */
function about(operation: OperationKey, key: string): { label: string; unit: string } {
  if (key in clocks) return { label: clocks[key]!, unit: 'min' }
  const field = planners[operation]?.fields.find((each) => each.key === key)
  return { label: field?.label ?? key.replace('@', ''), unit: field?.kind === 'number' ? field.unit : '' }
}

function FieldInput({
  label,
  unit,
  value,
  onValue,
}: {
  label: string
  unit: string
  value: number
  onValue: (value: number) => void
}) {
  const { input, problem } = useWritten({
    value: `${value}`,
    take: (text) => {
      const read = readInUnit(text, unit)
      if (!read.ok) return read.problem
      onValue(read.value)
      return undefined
    },
  })
  return (
    <label>
      {label}
      {unit && `, ${unit}`}
      <input className="form-control form-control-sm" inputMode="decimal" {...input} />
      {problem && <span className="problem">{problem}</span>}
    </label>
  )
}

/** What may be changed about a step before it is taken: what it is, and the figures that were read. */
export function ChangeStep({ step, onChange }: { step: ProposedStep; onChange: (change: StepChange) => void }) {
  const figures = step.fields.filter((field): field is ReadField & { value: number } => typeof field.value === 'number')
  return (
    <div className="change">
      <label>
        What is done
        <select
          className="form-select form-select-sm"
          value={step.operation}
          autoFocus
          onChange={(event) => onChange({ operation: event.currentTarget.value as OperationKey })}
        >
          {operationKeys.map((key) => (
            <option key={key} value={key}>
              {operations[key].name}
            </option>
          ))}
        </select>
      </label>
      {figures.map((field) => {
        const { label, unit } = about(step.operation, field.key)
        return (
          <FieldInput
            key={field.key}
            label={label}
            unit={unit}
            value={field.value}
            onValue={(value) =>
              onChange({ fields: step.fields.map((each) => (each.key === field.key ? { ...each, value } : each)) })
            }
          />
        )
      })}
    </div>
  )
}
