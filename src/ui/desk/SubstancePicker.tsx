'use client'

import type { FoundSubstance } from '@/views/plans'
import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react'
import { FormulaText } from '../figures/FormulaText'
import { call } from '../call'
import { useStable } from './useStable'

interface Props {
  course: string
  label: string
  onPick: (found: FoundSubstance) => void
  /** Shown when nothing is found; writes the substance by hand. */
  onOwn?: (name: string) => void
  /** Keeps the chosen name in the field; otherwise it is emptied for the next. */
  keep?: boolean
}

/** A substance found by typing any part of its names or formula: arrows choose, Enter takes. */
export function SubstancePicker({ course, label, onPick, onOwn, keep }: Props) {
  const id = useId()
  const [text, setText] = useState('')
  const [answer, setAnswer] = useState<{ to: string; found: FoundSubstance[]; near: boolean } | null>(null)
  const [at, setAt] = useState(0)
  const [open, setOpen] = useState(false)
  // True where Enter was pressed before the list had come: its first is taken when it does.
  const enter = useRef(false)
  const { picked } = useStable({
    picked: (found: FoundSubstance) => {
      onPick(found)
      setOpen(false)
      setText(keep ? found.substance.name : '')
    },
  })
  const [problem, setProblem] = useState<string>()

  useEffect(() => {
    const wanted = text.trim()
    if (!open || wanted === '') return
    let stale = false
    call<{ substances: FoundSubstance[]; near: FoundSubstance[] }>(
      `/api/courses/${course}/substances?q=${encodeURIComponent(wanted)}`,
    )
      .then(({ substances, near }) => {
        if (stale) return
        setAnswer({ to: wanted, found: [...substances, ...near], near: near.length > 0 })
        // What is only like what was typed is never taken unseen.
        setAt(near.length)
        setProblem(undefined)
        if (enter.current && substances[0]) picked(substances[0])
        enter.current = false
      })
      .catch((error: Error) => !stale && setProblem(error.message))
    return () => {
      stale = true
    }
  }, [text, open, course, picked])

  const current = open && answer?.to === text.trim() && text.trim() !== '' ? answer.found : null
  const own = current && onOwn
  const last = (current?.length ?? 0) - (own ? 0 : 1)
  const take = (index: number) => {
    const chosen = current?.[index]
    if (chosen) onPick(chosen)
    else if (own) onOwn(text.trim())
    else return
    setOpen(false)
    setText(keep && chosen ? chosen.substance.name : '')
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Escape') {
      setOpen(false)
      enter.current = false
      return
    }
    // Before the list has come Enter waits for it: it must not send the form around it.
    if (!current) {
      if (event.key !== 'Enter' || text.trim() === '' || !open) return
      event.preventDefault()
      enter.current = true
      return
    }
    if (event.key === 'ArrowDown') setAt(Math.min(at + 1, last))
    else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0))
    else if (event.key === 'Enter') take(at)
    else return
    event.preventDefault()
  }

  return (
    <div className="picker">
      <input
        className="form-control form-control-sm"
        role="combobox"
        aria-label={label}
        aria-expanded={current !== null}
        aria-controls={`${id}-list`}
        aria-activedescendant={current ? `${id}-${at}` : undefined}
        aria-autocomplete="list"
        placeholder={label}
        autoComplete="off"
        spellCheck={false}
        value={text}
        onChange={(event) => {
          setText(event.currentTarget.value)
          setOpen(true)
          enter.current = false
        }}
        onBlur={() => setOpen(false)}
        onKeyDown={onKeyDown}
      />
      {problem && (
        <span className="problem" role="alert">
          {problem}
        </span>
      )}
      <ul id={`${id}-list`} role="listbox" aria-label={`Found for: ${label}`} hidden={!current}>
        {current && answer?.near && (
          <li role="presentation" className="quiet">
            Nothing is called that. Is it one of these?
          </li>
        )}
        {current?.map(({ substance, synonyms, molarMass, solution }, index) => (
          <li
            key={solution ?? substance.id}
            id={`${id}-${index}`}
            role="option"
            aria-selected={index === at}
            // The field keeps the cursor, so that its blur does not close the list before the click.
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => take(index)}
          >
            <b>{solution ?? substance.name}</b> <FormulaText formula={substance.formula ?? ''} />
            <small>
              {molarMass !== null && `${molarMass.toFixed(2)} g/mol`}
              {synonyms.length > 0 && `; ${synonyms.join(', ')}`}
            </small>
          </li>
        ))}
        {own && (
          <li
            id={`${id}-${current.length}`}
            role="option"
            aria-selected={at === current.length}
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => take(current.length)}
          >
            {current.length === 0 ? 'Nothing by that name. ' : ''}Write “{text.trim()}” by hand
          </li>
        )}
      </ul>
    </div>
  )
}
