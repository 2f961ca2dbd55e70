'use client'

import { useId } from 'react'
import { readFigure } from '@/core/quantity/readQuantity'
import { useWritten } from '../useWritten'

/** A few words, taken on leaving the field or on Enter; what is needed and was taken away comes back. */
export function TextField({
  label,
  value,
  onText,
  width,
  needed = false,
  usual,
}: {
  label: string
  value: string
  onText: (text: string) => void
  /** What is offered while it is typed. */
  usual?: readonly string[]
  /** How much of the row it takes, where that is not what the words need. */
  width?: 'half' | 'wide'
  needed?: boolean
}) {
  const id = useId()
  const { input } = useWritten({
    value,
    take: (text) => {
      if (text !== '' || !needed) onText(text)
      return undefined
    },
  })
  return (
    <label className={width}>
      {label}
      <input className="form-control form-control-sm" {...(usual ? { list: id } : {})} {...input} />
      {usual && (
        <datalist id={id}>
          {usual.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
      )}
    </label>
  )
}

/** A positive number up to a bound; what cannot be meant is refused beside it and stays. */
export function NumberField({
  label,
  unit,
  value,
  most,
  least = 0,
  onNumber,
  onEmpty,
}: {
  label: string
  /** What it is counted in; another unit of the same kind may be typed. */
  unit?: string
  value: number
  most: number
  /** The smallest number that is taken; 0 itself only where this is below 0. */
  least?: number
  onNumber: (value: number) => void
  /** Where it may also be taken away. */
  onEmpty?: () => void
}) {
  const id = useId()
  // A 0 that cannot be meant stands for what nobody has said.
  const shown = value === 0 && least >= 0 ? '' : String(Number(value.toPrecision(8)))
  const { input, problem } = useWritten({
    value: shown,
    take: (text) => {
      if (text === '' && onEmpty) {
        onEmpty()
        return undefined
      }
      const read = readFigure(text, unit ?? '')
      if (!read.ok) return read.problem
      if (read.value.value <= least || read.value.value > most)
        return `Give a number above ${Number(Math.max(0, least).toFixed(6))}, at most ${Number(most.toFixed(6))}.`
      if (read.value.value !== value) onNumber(read.value.value)
      return undefined
    },
  })
  return (
    <label>
      {unit ? `${label}, ${unit}` : label}
      <input
        className="form-control form-control-sm"
        inputMode="decimal"
        aria-describedby={problem ? id : undefined}
        {...input}
      />
      {problem && (
        <span className="problem" id={id} role="alert">
          {problem}
        </span>
      )}
    </label>
  )
}
