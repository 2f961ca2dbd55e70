'use client'

import { useState } from 'react'
import { readQuantity } from '@/core/quantity/readQuantity'
import { roles, type Role } from '@/core/plan/lists'
import { usualForm } from '@/core/plan/editPlan'
import type { LineChange, ProposedLine } from '@/core/reading/handout/proposal'
import { SubstancePicker } from '../SubstancePicker'

const kinds = ['mass', 'volume', 'amount'] as const

/** An amount as it is written, in any of the units of the table. */
function amountOf(text: string): { change: LineChange } | { problem: string } {
  const read = kinds.map((of) => ({ of, read: readQuantity(text, of) }))
  const good = read.find((each) => each.read.ok)
  if (good?.read.ok) return { change: { anchor: { of: good.of, quantity: good.read.value } } }
  return { problem: 'Write a mass, a volume or an amount, for example 4.09 g, 5.0 mL or 43.5 mmol.' }
}

/** What may be changed about a line before it is taken. */
export function ChangeLine({
  course,
  line,
  amount,
  onChange,
}: {
  course: string
  line: ProposedLine
  /** Its amount as it stands. */
  amount: string
  onChange: (change: LineChange) => void
}) {
  const [text, setText] = useState(amount)
  const [problem, setProblem] = useState<string>()
  const take = () => {
    if (text.trim() === amount) return
    const found = amountOf(text)
    setProblem('problem' in found ? found.problem : undefined)
    if ('change' in found) onChange(found.change)
  }
  return (
    <div className="change">
      {!line.follows && (
        <label>
          Amount
          <input
            className="form-control form-control-sm"
            value={text}
            autoFocus
            aria-invalid={problem !== undefined}
            onChange={(event) => setText(event.currentTarget.value)}
            onBlur={take}
            onKeyDown={(event) => event.key === 'Enter' && take()}
          />
        </label>
      )}
      <label>
        Role
        <select
          className="form-select form-select-sm"
          value={line.role}
          onChange={(event) => {
            const role = event.currentTarget.value as Role
            const inEquation = ['reactant', 'product', 'by-product', 'intermediate'].includes(role)
            onChange({ role, coefficient: inEquation ? (line.coefficient ?? 1) : null })
          }}
        >
          {roles.map((role) => (
            <option key={role}>{role}</option>
          ))}
        </select>
      </label>
      <div className="another">
        <SubstancePicker
          course={course}
          label="Another substance: name or formula"
          onPick={({ substance, form }) => onChange({ substance, form: form ?? usualForm(substance) })}
        />
      </div>
      {problem && (
        <div className="problem" role="alert">
          {problem}
        </div>
      )}
    </div>
  )
}
