'use client'

import { isDay } from '../time'
import { useWritten } from '../useWritten'

interface Props {
  label: string
  /** What it is a day of, for who cannot see what stands beside it. */
  of?: string
  value: string
  /** The day of today, offered where nothing stands, for the day of something that has happened. */
  today?: string | undefined
  needed?: boolean
  onDay: (day: string) => void
}

/** A day, saved on leaving the field or on Enter. What is half typed is no day yet and saves nothing. */
export function DateField({ label, of, value, today, needed = false, onDay }: Props) {
  const { input, problem } = useWritten({
    value,
    take: (text) => {
      if (text === '' ? needed : !isDay(text)) return 'Give a day with its year, for example 1 December 2026.'
      onDay(text)
      return undefined
    },
  })
  const name = of ? `${label} of ${of}` : label
  return (
    <label>
      {label}
      <input type="date" className="form-control form-control-sm" aria-label={name} {...input} />
      {today && value === '' && input.value === '' && (
        <button type="button" className="opens" aria-label={`${name}: today`} onClick={() => onDay(today)}>
          today
        </button>
      )}
      {problem && (
        <span className="problem" role="alert">
          {problem}
        </span>
      )}
    </label>
  )
}
