'use client'

import { useState } from 'react'

/** Words that are written down on leaving the field, or on Enter where they are one line. */
export function WrittenText({
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
