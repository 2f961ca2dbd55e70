'use client'

import { useId, useState } from 'react'
import type { OwnMade } from '@/core/edit/addStep'
import { call } from '../call'
import { operations, operationsLike, type OperationKey } from '@/core/operations/registry'

interface Props {
  /** The operations of their own that other plans of this course hold are offered too. */
  course: string
  /** Those that this plan holds. */
  own: readonly OwnMade[]
  onAdd: (operation: OperationKey) => void
  onOwn: (made: OwnMade) => void
  /** One of the author's own is to be made, called so. */
  onMake: (name: string) => void
}

/** A step added by the first letters of its operation: arrows choose, Enter adds it, and the field is ready for the next. */
export function AddStep({ course, own: here, onAdd, onOwn, onMake }: Props) {
  const id = useId()
  const [text, setText] = useState('')
  const [open, setOpen] = useState(false)
  const [at, setAt] = useState(0)
  const [others, setOthers] = useState<readonly OwnMade[]>()
  const ask = () => {
    if (others) return
    setOthers([])
    call<{ operations: OwnMade[] }>(`/api/courses/${course}/operations`)
      .then(({ operations: found }) => setOthers(found))
      // Without the network those of this plan are offered, and it is asked again the next time.
      .catch(() => setOthers(undefined))
  }
  const own = [...here, ...(others ?? []).filter((other) => !here.some((each) => each.own.name === other.own.name))]
  const known = operationsLike(text).map((key) => ({
    key: key as string,
    name: operations[key].name as string,
    add: () => onAdd(key),
  }))
  const wanted = text.trim().toLowerCase()
  const made = own
    .filter(({ own: { name } }) => name.toLowerCase().startsWith(wanted))
    .map((each) => ({ key: `own ${each.own.name}`, name: `${each.own.name}, our own`, add: () => onOwn(each) }))
  const fresh = {
    key: 'make',
    name: wanted === '' ? 'Make an operation of our own …' : `Make “${text.trim()}” an operation of our own …`,
    add: () => onMake(text.trim()),
  }
  const ways = [...known, ...made, fresh]
  const found = open ? ways : []
  const add = (way: (typeof ways)[number] | undefined) => {
    if (!way) return
    way.add()
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
        aria-activedescendant={open && found[at] ? `${id}-${at}` : undefined}
        placeholder="Add a step: charge, reflux, wash …"
        autoComplete="off"
        value={text}
        onFocus={ask}
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
            setAt(Math.min(at + (open ? 1 : 0), ways.length - 1))
          } else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0))
          else if (event.key === 'Enter') add(found[at])
          else return
          event.preventDefault()
        }}
      />
      <ul id={`${id}-list`} role="listbox" aria-label="Operations" hidden={!open}>
        {found.map((way, index) => (
          <li
            key={way.key}
            id={`${id}-${index}`}
            role="option"
            aria-selected={index === at}
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => add(way)}
          >
            {way.name}
          </li>
        ))}
      </ul>
    </div>
  )
}
