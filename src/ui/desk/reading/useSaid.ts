'use client'

import { useReducer } from 'react'
import { nothingSaid, type Said } from '@/core/reading/handout/decide'
import type { LineChange, StepChange } from '@/core/reading/handout/proposal'

export type Deed =
  | { do: 'answer'; key: string; choice: number }
  | { do: 'line'; id: string; change: LineChange }
  | { do: 'step'; id: string; change: StepChange }
  | { do: 'leave' | 'take'; ids: readonly string[] }
  | { do: 'title'; title: string }

interface History {
  now: Said
  before: readonly Said[]
  after: readonly Said[]
}

type Action = { do: 'say'; deed: Deed } | { do: 'undo' } | { do: 'redo' } | { do: 'all'; said: Said }

function next(said: Said, deed: Deed): Said {
  switch (deed.do) {
    case 'answer':
      return { ...said, answers: { ...said.answers, [deed.key]: deed.choice } }
    case 'line':
      return { ...said, lines: { ...said.lines, [deed.id]: { ...said.lines[deed.id], ...deed.change } } }
    case 'step':
      return { ...said, steps: { ...said.steps, [deed.id]: { ...said.steps[deed.id], ...deed.change } } }
    case 'leave':
      return { ...said, left: [...new Set([...said.left, ...deed.ids])] }
    case 'take':
      return { ...said, left: said.left.filter((id) => !deed.ids.includes(id)) }
    case 'title':
      return { ...said, title: deed.title }
  }
}

function reduce(history: History, action: Action): History {
  const { now, before, after } = history
  if (action.do === 'all') return { now: action.said, before: [], after: [] }
  if (action.do === 'undo')
    return before.length === 0 ? history : { now: before.at(-1)!, before: before.slice(0, -1), after: [now, ...after] }
  if (action.do === 'redo')
    return after.length === 0 ? history : { now: after[0]!, before: [...before, now], after: after.slice(1) }
  return { now: next(now, action.deed), before: [...before, now], after: [] }
}

/** What the author says about what was read, with a way back for each step of it. */
export function useSaid() {
  const [history, dispatch] = useReducer(reduce, { now: nothingSaid, before: [], after: [] })
  return {
    said: history.now,
    mayUndo: history.before.length > 0,
    mayRedo: history.after.length > 0,
    say: (deed: Deed) => dispatch({ do: 'say', deed }),
    undo: () => dispatch({ do: 'undo' }),
    redo: () => dispatch({ do: 'redo' }),
    begin: (said: Said) => dispatch({ do: 'all', said }),
  }
}
