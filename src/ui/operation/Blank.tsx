'use client'

import { useId, useState } from 'react'
import { problemIn } from '@/core/operations/planners'
import type { Field } from '@/core/operations/planner'
import type { WorkValue } from '@/core/plan/plan'
import { readInUnit } from '@/core/quantity/readQuantity'

export type Offers = Readonly<Record<'substances' | 'solvents', readonly string[]>>

interface Props {
  field: Exclude<Field, { kind: 'rows' }>
  value: string | number | undefined
  /** What the plan suggests, to go back to. */
  suggested?: string | number | undefined
  /** Names to choose from, by the kind that the field offers. */
  offers?: Offers | undefined
  /** True for what was typed, false for what the plan suggests. */
  typed: boolean
  /** True for what was read from the words of an older version of the plan, which nobody has looked at yet. */
  read?: boolean
  /** Absent where it is only read. */
  onValue?: ((value: WorkValue | undefined) => void) | undefined
}

/** The words that stand for a 0 that nobody typed, where the field has some. */
const standIn = (field: Props['field'], value: string | number | undefined, typed: boolean) =>
  field.kind === 'number' && field.none !== undefined && value === 0 && !typed ? field.none : undefined

const shown = (value: string | number | undefined) =>
  typeof value === 'number' ? String(Number(value.toPrecision(6))) : (value ?? '')

/** Chosen to take back what was chosen before. */
const backToPlan = '\u0000'

/** One blank of a sentence: what was typed stands in ink, what the plan suggests in pencil. Emptied, it goes back to the plan's. */
export function Blank({ field, value, suggested, offers, typed, read = false, onValue }: Props) {
  const id = useId()
  const [text, setText] = useState<string>()
  const [problem, setProblem] = useState<string>()
  const label = `${field.label}${field.kind === 'number' && field.unit ? `, ${field.unit}` : ''}${typed ? '' : read ? ', read from the words' : ', from the plan'}`
  const style = `blank ${typed ? 'typed' : 'derived'}`
  const none = standIn(field, value, typed)
  const written = none === undefined ? shown(value) : ''
  if (!onValue)
    return (
      <span className={style}>
        {field.kind === 'choice'
          ? (field.ways.find((way) => way.value === value)?.words ?? shown(value))
          : (none ?? (written || '–'))}
        {field.kind === 'number' && field.unit ? ` ${field.unit}` : ''}
      </span>
    )
  if (field.kind === 'choice')
    return (
      <select
        className={style}
        aria-label={label}
        value={shown(value)}
        onChange={(event) => onValue(event.currentTarget.value === backToPlan ? undefined : event.currentTarget.value)}
      >
        {(typed || read) && suggested !== undefined && (
          <option value={backToPlan}>
            as the plan has it: {field.ways.find((way) => way.value === suggested)?.words ?? shown(suggested)}
          </option>
        )}
        {field.ways.map((way) => (
          <option key={way.value} value={way.value}>
            {way.words}
          </option>
        ))}
      </select>
    )
  const offered = field.kind === 'text' && field.offers ? offers?.[field.offers] : undefined
  const commit = () => {
    if (text === undefined || text.trim() === written) {
      setText(undefined)
      setProblem(undefined)
      return
    }
    if (text.trim() === '') {
      setText(undefined)
      setProblem(undefined)
      onValue(undefined)
      return
    }
    if (field.kind === 'text') {
      setText(undefined)
      onValue(text.trim())
      return
    }
    const read = readInUnit(text, field.kind === 'number' ? field.unit : '')
    const wrong = read.ok ? problemIn(field, read.value) : read.problem
    setProblem(wrong)
    if (wrong || !read.ok) return
    setText(undefined)
    onValue(read.value)
  }
  return (
    <span className="blank-with-unit">
      <input
        className={`${style} fig`}
        aria-label={label}
        inputMode={field.kind === 'number' ? 'decimal' : undefined}
        value={text ?? written}
        placeholder={none}
        list={offered ? `${id}-offers` : undefined}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? id : undefined}
        autoComplete="off"
        spellCheck={false}
        onChange={(event) => setText(event.currentTarget.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit()
          if (event.key === 'Escape') {
            setText(undefined)
            setProblem(undefined)
          }
        }}
      />
      {offered && (
        <datalist id={`${id}-offers`}>
          {offered.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
      )}
      {field.kind === 'number' && field.unit ? ` ${field.unit}` : ''}
      {problem && (
        <span className="problem" id={id} role="alert">
          {problem}
        </span>
      )}
    </span>
  )
}
