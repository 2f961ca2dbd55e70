'use client'

import { memo, useDeferredValue, useRef, type KeyboardEvent } from 'react'
import type { Column } from '@/core/edit/editLine'

export interface CellDisplay {
  number: string
  unit: string
  typed: boolean
}

export interface CellPlace {
  line: string
  column: Column | 'excess'
}

/** What can be done in a cell; the same functions for as long as the table stands. */
export interface CellActions {
  focus: (place: CellPlace) => void
  text: (place: CellPlace, text: string) => void
  commit: (place: CellPlace) => void
  restore: (place: CellPlace) => void
  working: () => void
}

interface Props {
  line: string
  of: Column
  /** `row column`, unique in the table; arrows look for neighbours by it. */
  row: number
  column: number
  label: string
  display: CellDisplay | null
  /** Digits after the point of the longest figure in the column, so that points stand under each other. */
  columnDecimals: number
  /** Text being typed in this cell, or refused and kept; undefined while the cell shows its figure. */
  text: string | undefined
  problem: string | undefined
  readOnly: boolean
  actions: CellActions
}

/** What is wrong with a cell stands in a row of its own under it, where it covers nothing. */
export const problemId = (line: string, column: Column) => `problem-${line}-${column}`

/** Drawn again only where what it shows has changed: one key changes a few of a hundred figures. */
function same(before: Props, after: Props): boolean {
  const keys = Object.keys(after) as (keyof Props)[]
  return keys.every((key) =>
    key === 'display'
      ? before.display?.number === after.display?.number &&
        before.display?.unit === after.display?.unit &&
        before.display?.typed === after.display?.typed
      : before[key] === after[key],
  )
}

/**
 * One figure of the reaction table: ink when typed, pencil when derived. Typing replaces, Enter and the arrows write it down and move on, Esc restores,
 * = goes to the working in the margin.
 */
export const QuantityCell = memo(function QuantityCell(props: Props) {
  const { line, of, row, column, label, display, columnDecimals, text, problem, readOnly, actions } = props
  const place = { line, column: of }
  const input = useRef<HTMLInputElement>(null)
  const shown = display ? `${display.number}${display.unit ? ` ${display.unit}` : ''}` : ''
  const editing = text !== undefined
  // Nobody sees the field until the cursor is in it: a hundred of them are written after the figures have been painted.
  const inField = useDeferredValue(shown)

  const move = (rows: number, columns: number) => {
    const table = input.current?.closest('table')
    let [r, c] = [row + rows, column + columns]
    // Rows without a figure in this column are stepped over.
    for (let tries = 0; tries < 40; tries++) {
      const next = table?.querySelector<HTMLInputElement>(`[data-cell="${r} ${c}"]`)
      if (next) {
        next.focus()
        return true
      }
      r += rows
      c += columns
    }
    return false
  }

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    const field = event.currentTarget
    const all = field.selectionStart === 0 && field.selectionEnd === field.value.length
    const atStart = field.selectionEnd === 0 || all
    const atEnd = field.selectionStart === field.value.length || all
    if (event.key === 'Enter') {
      event.preventDefault()
      actions.commit(place)
      move(event.shiftKey ? -1 : 1, 0)
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault()
      actions.commit(place)
      move(event.key === 'ArrowDown' ? 1 : -1, 0)
    } else if ((event.key === 'ArrowLeft' && atStart) || (event.key === 'ArrowRight' && atEnd)) {
      event.preventDefault()
      actions.commit(place)
      move(0, event.key === 'ArrowRight' ? 1 : -1)
    } else if (event.key === 'Escape') {
      event.preventDefault()
      actions.restore(place)
      requestAnimationFrame(() => field.select())
    } else if (event.key === '=' && !editing) {
      event.preventDefault()
      actions.working()
    }
  }

  const [whole = '', part] = (display?.number ?? '–').split('.')
  // Zeros that nobody sees keep the points of a column below one another.
  const zeros = '0'.repeat(Math.max(0, columnDecimals - (part?.length ?? 0)))
  const pad = columnDecimals > 0 && part === undefined ? `.${zeros}` : zeros
  return (
    <div className={`cell ${display?.typed ? 'is-typed' : 'is-derived'}${editing ? ' editing' : ''}`}>
      <span className="face fig" aria-hidden="true">
        <span className={display?.typed ? 'typed' : 'derived'}>{part === undefined ? whole : `${whole}.${part}`}</span>
        {display?.unit && <span className="unit">{display.unit}</span>}
        {pad && <span className="pad">{pad}</span>}
      </span>
      <input
        ref={input}
        data-cell={`${row} ${column}`}
        aria-label={`${label}${display ? (display.typed ? ', typed' : ', derived') : ', unknown'}`}
        data-written={editing && text !== shown ? 'open' : 'taken'}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? problemId(line, of) : undefined}
        value={text ?? inField}
        readOnly={readOnly}
        autoComplete="off"
        spellCheck={false}
        onFocus={(event) => {
          event.currentTarget.select()
          actions.focus(place)
        }}
        onChange={(event) => actions.text(place, event.currentTarget.value)}
        onBlur={() => actions.commit(place)}
        onKeyDown={onKeyDown}
      />
    </div>
  )
}, same)
