'use client'

import { useId } from 'react'

interface Props {
  label: string
  unit: string
  value: string
  onValue: (value: string) => void
  onEnter: () => void
  problem?: string
  active?: boolean
  onFocus?: () => void
}

/** The face of a reading: a large figure with its fixed unit, filled from the number keys or a keyboard. */
export function ReadingField({ label, unit, value, onValue, onEnter, problem, active = true, onFocus }: Props) {
  const id = useId()
  return (
    <div className={`read${active ? ' active' : ''}`}>
      <label htmlFor={id} className="visually-hidden">
        {unit === '' ? label : `${label} in ${unit}`}
      </label>
      <input
        id={id}
        inputMode="none"
        autoComplete="off"
        value={value}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-problem` : undefined}
        onFocus={onFocus}
        onChange={(event) => onValue(event.currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return
          // A question takes the focus to its button; this same key must not press it.
          event.preventDefault()
          onEnter()
        }}
      />
      <small>{unit}</small>
      {problem && (
        <span className="visually-hidden" id={`${id}-problem`}>
          {problem}
        </span>
      )}
    </div>
  )
}
