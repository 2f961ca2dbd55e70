'use client'

import { useId, type KeyboardEvent } from 'react'
import { problemIn } from '@/core/operations/planners'
import type { Source } from '@/core/operations/planner'
import type { Field } from '@/core/operations/fields'
import type { WorkValue } from '@/core/plan/plan'
import { readInUnit, type Reading } from '@/core/quantity/readQuantity'
import { nameOfHeld, readSubstance } from '@/core/substance/heldById'
import type { Substance } from '@/core/substance/substance'
import { useWritten } from '../useWritten'

/** What may be chosen: substances by their names, each with its id, and the names of samples. */
export interface Offers {
  substances: readonly Substance[]
  solvents: readonly Substance[]
  samples: readonly string[]
}

interface Props {
  field: Exclude<Field, { kind: 'rows' }>
  value: string | number | undefined
  /** What is said where nobody types, to go back to; and where that comes from. */
  suggested?: string | number | undefined
  source?: Source | undefined
  /** Names to choose from, by the kind that the field offers. */
  offers?: Offers | undefined
  /** True for what was typed, false for what is suggested. */
  typed: boolean
  /** True for a field of the step itself: there is nothing to go back to. */
  own?: boolean
  /** Why a value cannot stand here besides its bounds. */
  problem?: ((value: string | number) => string | undefined) | undefined
  /** The cursor has come: where the figure comes from may be shown. */
  onAsk?: (() => void) | undefined
  /** Absent where it is only read. */
  onValue?: ((value: WorkValue | undefined) => void) | undefined
}

/** Where a figure comes from that nobody typed. */
export const sourceWords: Readonly<Record<Source, string>> = {
  plan: 'from the plan',
  record: 'from the record',
  laboratory: 'of the laboratory',
  usual: 'a usual value',
  run: 'from the run',
  unknown: 'not known',
}

/** The words that stand for a 0 that nobody typed, where the field has some. */
const standIn = (field: Props['field'], value: string | number | undefined, typed: boolean) =>
  field.kind === 'number' && field.none !== undefined && value === 0 && !typed ? field.none : undefined

const shown = (value: string | number | undefined) =>
  typeof value === 'number' ? String(Number(value.toPrecision(6))) : (value ?? '')

/** A value as it stands in a sentence that is only read: with its unit, or the words for what is not known. */
export function shownIn(field: Props['field'], value: string | number | undefined, typed: boolean): string {
  if (field.kind === 'choice') return field.ways.find((way) => way.value === value)?.words ?? shown(value)
  const none = standIn(field, value, typed)
  if (none !== undefined) return none
  return `${shown(value) || '–'}${field.kind === 'number' && field.unit ? ` ${field.unit}` : ''}`
}

/** The names that a field offers, each once. */
const namesOf = (offers: Offers | undefined, kind: keyof Offers) =>
  offers && [...new Set(offers[kind].map((each) => (typeof each === 'string' ? each : each.name)))]

/** Chosen to take back what was chosen before. */
const backToPlan = '\u0000'

/** One blank of a sentence: what was typed stands in ink, what the plan suggests in pencil. Emptied, it goes back to the plan's. */
export function Blank({ field, value, suggested, source, offers, typed, own = false, problem: check, onAsk, onValue }: Props) {
  const id = useId()
  const label = `${field.label}${field.kind === 'number' && field.unit ? `, ${field.unit}` : ''}${typed ? '' : `, ${sourceWords[source ?? 'plan']}`}`
  const style = `blank ${typed ? 'typed' : 'derived'}`
  const none = standIn(field, value, typed)
  const holds = field.kind === 'text' ? field.holds : undefined
  const known = [...(offers?.substances ?? []), ...(offers?.solvents ?? [])]
  // What is asked for of the plan's own is not found among the usual solvents.
  const among = field.kind === 'text' && field.offers === 'solvents' ? known : (offers?.substances ?? [])
  const name = holds ? nameOfHeld(known, value) : value
  const written = none === undefined ? shown(name) : ''
  const { input, problem } = useWritten({
    value: written,
    take: (text) => {
      if (text === '') {
        if (own) return `A ${field.label} is needed.`
        onValue?.(undefined)
        return undefined
      }
      const read: Reading<string | number> =
        field.kind === 'number'
          ? readInUnit(text, field.unit)
          : holds
            ? readSubstance(among, text, holds)
            : { ok: true, value: text }
      if (!read.ok) return read.problem
      const wrong = problemIn(field, read.value) ?? check?.(read.value)
      if (wrong === undefined) onValue?.(read.value)
      return wrong
    },
  })
  if (!onValue) return <span className={style}>{shownIn(field, name, typed)}</span>
  // As in a figure of the table: `=` goes to where it comes from.
  const askOnEquals = (event: KeyboardEvent) => {
    if (event.key !== '=' || !onAsk) return
    event.preventDefault()
    document.querySelector<HTMLElement>('.working')?.focus()
  }
  if (field.kind === 'choice')
    return (
      <select
        className={style}
        aria-label={label}
        value={shown(value)}
        onFocus={onAsk}
        onKeyDown={askOnEquals}
        onChange={(event) => onValue(event.currentTarget.value === backToPlan ? undefined : event.currentTarget.value)}
      >
        {typed && suggested !== undefined && (
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
  const offered = field.kind === 'text' && field.offers ? namesOf(offers, field.offers) : undefined
  return (
    <span className="blank-with-unit">
      <input
        className={`${style} fig`}
        aria-label={label}
        inputMode={field.kind === 'number' ? 'decimal' : undefined}
        {...input}
        placeholder={none}
        list={offered ? `${id}-offers` : undefined}
        aria-describedby={problem ? id : undefined}
        autoComplete="off"
        spellCheck={false}
        onFocus={onAsk}
        onKeyDown={(event) => {
          askOnEquals(event)
          input.onKeyDown(event)
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
