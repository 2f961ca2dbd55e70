'use client'

import type { ComponentProps } from 'react'

/** A small field with its label above it. */
export function Typed({
  label,
  value,
  onValue,
  ...more
}: { label: string; value: string; onValue: (value: string) => void } & Omit<ComponentProps<'input'>, 'value' | 'onChange'>) {
  return (
    <label>
      {label}
      <input
        {...more}
        className="form-control form-control-sm"
        value={value}
        onChange={(event) => onValue(event.currentTarget.value)}
      />
    </label>
  )
}
