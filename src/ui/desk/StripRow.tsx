'use client'

import { printed, type Words } from '@/core/words/words'
import { useSortable } from '@dnd-kit/sortable'
import type { ReactNode } from 'react'
import type { Step } from '@/core/plan/plan'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { PrintedSentence } from './PrintedSentence'

interface Props {
  step: Step
  table: ReactionTable
  /** What stands in the blanks that its words name. */
  figures: Readonly<Record<string, string>>
  /** How it ends, as it is printed. */
  until: Words | undefined
  /** Minutes from the start of its day. */
  startMin: number
  open: boolean
  /** True where an open step is written, so that its words stand in it and not in the row. */
  writing: boolean
  /** Absent where the step cannot be opened, or not moved. */
  onToggle?: (() => void) | undefined
  onNudge?: ((by: 1 | -1) => void) | undefined
  /** What stands below the row while it is open. */
  children?: ReactNode
}

/** One row of the procedure: when it begins, how long hands are busy, its title to open it, and the sentence that is printed. It is dragged by its time, by mouse or finger. */
export function StripRow({ step, table, figures, until, startMin, open, writing, onToggle, onNudge, children }: Props) {
  const { setNodeRef, setActivatorNodeRef, listeners, transform, transition, isDragging } = useSortable({
    id: step.id,
    disabled: !onNudge || open,
  })
  const gutter = `gutter${step.waitMin > step.handsOnMin ? ' wait' : ''}`
  return (
    <li
      ref={setNodeRef}
      data-about={step.id}
      className={[isDragging ? 'dragged' : '', open ? 'opened' : ''].join(' ').trim() || undefined}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
    >
      <span className={onNudge ? 't fig grip' : 't fig'} ref={setActivatorNodeRef} {...(onNudge ? listeners : {})}>
        {Math.floor(startMin / 60)}:{String(Math.round(startMin % 60)).padStart(2, '0')}
      </span>
      <span className={gutter} aria-hidden="true" />
      {onToggle ? (
        <b>
          <button
            type="button"
            className="opens"
            aria-expanded={open}
            title={
              onNudge
                ? 'Open this step. Alt and an arrow move it; so does dragging its time.'
                : 'Show what its operation works out.'
            }
            onClick={onToggle}
            onKeyDown={(event) => {
              if (!event.altKey || !onNudge || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
              event.preventDefault()
              onNudge(event.key === 'ArrowUp' ? -1 : 1)
            }}
          >
            {printed(step.title)}
          </button>
        </b>
      ) : (
        <b>{printed(step.title)}</b>
      )}
      {!(open && writing) && (
        <>
          <PrintedSentence step={step} table={table} figures={figures} />
          <span className="until">
            {[until && printed(until), step.witness ? 'a demonstrator signs' : undefined].filter(Boolean).join('; ')}
          </span>
        </>
      )}
      {open && <div className="step-open">{children}</div>}
    </li>
  )
}
