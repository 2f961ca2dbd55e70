'use client'

import { useId, useState } from 'react'
import { operations, operationsLike, type OperationKey } from '@/core/operations/registry'

/** A step added by the first letters of its operation: arrows choose, Enter adds it, and the field is ready for the next. */
export function AddStep({ onAdd }: { onAdd: (operation: OperationKey) => void }) {
  const id = useId()
  const [text, setText] = useState('')
  const [open, setOpen] = useState(false)
  const [at, setAt] = useState(0)
  const found = open ? operationsLike(text) : []
  const add = (operation: OperationKey | undefined) => {
    if (!operation) return
    onAdd(operation)
    setText('')
    setAt(0)
    setOpen(false)
  }
  return (
    <div className="picker add-step">
      <input
        className="form-control form-control-sm"
        role="combobox"
        aria-label="Add a step"
        aria-expanded={open}
        aria-controls={`${id}-list`}
        aria-activedescendant={open && found[at] ? `${id}-${found[at]}` : undefined}
        placeholder="Add a step: charge, reflux, wash …"
        autoComplete="off"
        value={text}
        onClick={() => setOpen(true)}
        onChange={(event) => {
          setText(event.currentTarget.value)
          setAt(0)
          setOpen(true)
        }}
        onBlur={() => setOpen(false)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setOpen(false)
          else if (event.key === 'ArrowDown') {
            setOpen(true)
            setAt(Math.min(at + (open ? 1 : 0), operationsLike(text).length - 1))
          } else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0))
          else if (event.key === 'Enter') add(found[at])
          else return
          event.preventDefault()
        }}
      />
      <ul id={`${id}-list`} role="listbox" aria-label="Operations" hidden={!open}>
        {found.map((key, index) => (
          <li
            key={key}
            id={`${id}-${key}`}
            role="option"
            aria-selected={index === at}
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => add(key)}
          >
            {operations[key].name}
          </li>
        ))}
        {open && found.length === 0 && (
          <li role="option" aria-selected="false" aria-disabled="true">
            No operation begins like that: try act, wash, filter.
          </li>
        )}
      </ul>
    </div>
  )
}
