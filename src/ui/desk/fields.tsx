'use client'

import { useId, useState } from 'react'
import { readNumber } from '@/core/quantity/readQuantity'

/** A word or two, taken on leaving the field or on Enter. */
export function TextField({ label, value, onText }: { label: string; value: string; onText: (text: string) => void }) {
  return (
    <label>
      {label}
      <input
        className="form-control form-control-sm"
        defaultValue={value}
        key={value}
        onBlur={(event) => event.currentTarget.value.trim() !== value && onText(event.currentTarget.value.trim())}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      />
    </label>
  )
}

/** A positive number up to a bound; what cannot be meant is refused beside it and stays. */
export function NumberField({
  label,
  value,
  most,
  least = 0,
  onNumber,
}: {
  label: string
  value: number
  most: number
  /** The smallest number that is taken; 0 itself only where this is below 0. */
  least?: number
  onNumber: (value: number) => void
}) {
  const id = useId()
  // A 0 that cannot be meant stands for what nobody has said.
  const shown = value === 0 && least >= 0 ? '' : String(Number(value.toPrecision(8)))
  const [text, setText] = useState<string>()
  const [problem, setProblem] = useState<string>()
  const commit = () => {
    if (text === undefined || text === shown) return setText(undefined)
    const read = readNumber(text)
    const wrong = !read.ok
      ? read.problem
      : read.value.value <= least || read.value.value > most
        ? `Give a number above ${Number(Math.max(0, least).toFixed(6))}, at most ${Number(most.toFixed(6))}.`
        : undefined
    setProblem(wrong)
    if (wrong || !read.ok) return
    setText(undefined)
    if (read.value.value !== value) onNumber(read.value.value)
  }
  return (
    <label>
      {label}
      <input
        className="form-control form-control-sm"
        inputMode="decimal"
        value={text ?? shown}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? id : undefined}
        onChange={(event) => setText(event.currentTarget.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit()
          if (event.key === 'Escape') {
            setText(undefined)
            setProblem(undefined)
          }
        }}
      />
      {problem && (
        <span className="problem" id={id} role="alert">
          {problem}
        </span>
      )}
    </label>
  )
}
