'use client'

import { useWritten } from '../useWritten'

interface Props {
  label: string
  value: string
  /** Words of more than one line: Enter begins another. */
  long?: boolean
  required?: boolean
  onText: (text: string) => void
}

/** Words that are written down on leaving the field, or on Enter where they are one line. */
export function WrittenText({ label, value, long = false, required = false, onText }: Props) {
  const { input, problem } = useWritten({
    value,
    enterTakes: !long,
    take: (text) => {
      if (required && text === '') return `A ${label} is needed.`
      onText(text)
      return undefined
    },
  })
  const common = { ...input, 'aria-label': label, className: 'form-control form-control-sm' }
  return (
    <label className={long ? 'wide' : 'half'}>
      {label}
      {long ? <textarea rows={2} {...common} /> : <input {...common} />}
      {problem && (
        <span className="problem" role="alert">
          {problem}
        </span>
      )}
    </label>
  )
}
