'use client'

import { useState } from 'react'
import type { Query } from '@/core/operations/query'
import { State } from '../figures/State'

interface Props {
  query: Query & { answer?: string }
  readOnly: boolean
  onRemedy: () => void
  onAnswer: (reason: string | null) => void
}

/** A query in the margin: what is doubted, on what evidence, the remedy, and the author's answer where there is one. */
export function QueryNote({ query, readOnly, onRemedy, onAnswer }: Props) {
  const [draft, setDraft] = useState<string | null>(null)
  return (
    <div>
      <h3>
        <State level={query.answer === undefined ? 'doubt' : 'open'}>{query.title}</State>
      </h3>
      <p>{query.evidence}</p>
      {query.answer !== undefined && (
        <p>
          <b>Answered:</b> {query.answer}
        </p>
      )}
      {draft !== null && (
        <form
          onSubmit={(event) => {
            event.preventDefault()
            if (draft.trim() === '') return
            onAnswer(draft.trim())
            setDraft(null)
          }}
        >
          <textarea
            className="form-control form-control-sm"
            aria-label={`Answer to: ${query.title}`}
            rows={2}
            value={draft}
            autoFocus
            onChange={(event) => setDraft(event.currentTarget.value)}
          />
          <button type="submit" className="do" disabled={draft.trim() === ''}>
            Keep this answer
          </button>
          <button type="button" className="do" onClick={() => setDraft(null)}>
            Leave it open
          </button>
        </form>
      )}
      {!readOnly && draft === null && (
        <div>
          {query.remedy && query.answer === undefined && (
            <button type="button" className="do" onClick={onRemedy}>
              {query.remedy.label}
            </button>
          )}
          {query.answer === undefined ? (
            <button type="button" className="do" onClick={() => setDraft('')}>
              Answer
            </button>
          ) : (
            <button type="button" className="do" onClick={() => onAnswer(null)}>
              Take the answer back
            </button>
          )}
        </div>
      )}
    </div>
  )
}
