'use client'

import { useState, type ReactNode } from 'react'
import { Button, Form } from 'react-bootstrap'
import { readPeakTable } from '@/core/traces/report'

interface Props {
  label: string
  onTable: (peaks: { at: number; area: number }[], text: string) => void
  /** Takes the table away again; null where none was taken. */
  onBack: (() => void) | null
  /** What else must be said of it. */
  children?: ReactNode
}

/** The table of a printed report, pasted or typed: a time and an area in each line. What cannot be read stays in the field. */
export function PrintedReport({ label, onTable, onBack, children }: Props) {
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string>()
  const take = () => {
    const read = readPeakTable(text)
    if (typeof read === 'string') return setProblem(read)
    setProblem(undefined)
    onTable(read, text)
  }
  return (
    <details className="no-print printed-report">
      <summary>{label}</summary>
      {children}
      <Form.Control
        as="textarea"
        rows={4}
        aria-label="Peak table: a time and an area in each line"
        placeholder={'1  3.40  1512\n2  5.61  20480'}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
      />
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <Button variant="quiet" onClick={take}>
        Take this table
      </Button>
      {onBack && (
        <Button variant="quiet" onClick={onBack}>
          Back to the curve’s own peaks
        </Button>
      )}
    </details>
  )
}
