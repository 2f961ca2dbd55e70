import { useMemo, useState } from 'react'
import { editLine, type Column } from '@/core/edit/editLine'
import type { Plan } from '@/core/plan/plan'
import type { CellActions, CellPlace } from './QuantityCell'
import { useStable } from './useStable'

/** Text in a cell that is being typed, or was refused: then with the reason, and with its line as it stood. */
export type Texts = Record<string, { text: string; problem?: string; line?: string }>

const keyOf = ({ line, column }: CellPlace) => `${line} ${column}`
const asItStands = (plan: Plan, id: string) => JSON.stringify(plan.lines.find((line) => line.id === id))

/**
 * What is typed into the cells of the table: the plan as it would be with it, which the table follows while it is typed, and what was refused. It is written down only on Enter or on leaving the cell.
 * @param onFocus told when a cell is entered
 */
export function useCellTexts(
  plan: Plan,
  change: (plan: Plan, place: CellPlace) => void,
  onFocus: () => void,
): { shown: Plan; isTyping: boolean; focus: CellPlace | null; texts: Texts; actions: CellActions; leave: () => void } {
  const [texts, setTexts] = useState<Texts>({})
  const [focus, setFocus] = useState<CellPlace | null>(null)

  const typing = focus && texts[keyOf(focus)]
  const shown = useMemo(() => {
    if (!typing || !focus || focus.column === 'excess') return plan
    const read = editLine(plan, focus.line, focus.column, typing.text)
    return read.ok ? read.value : plan
  }, [plan, typing, focus])

  // What was refused goes as soon as its line has become right in any other way.
  const stillWrong = useMemo(() => {
    const entries = Object.entries(texts)
    const left = entries.filter(
      ([key, { line }]) => line === undefined || line === asItStands(plan, key.slice(0, key.lastIndexOf(' '))),
    )
    return left.length === entries.length ? texts : Object.fromEntries(left)
  }, [texts, plan])

  const without = (place: CellPlace) =>
    setTexts((all) => Object.fromEntries(Object.entries(all).filter(([key]) => key !== keyOf(place))))

  const commit = (place: CellPlace) => {
    const kept = texts[keyOf(place)]
    if (kept === undefined || place.column === 'excess') return
    if (kept.text.trim() === '') return without(place)
    const read = editLine(plan, place.line, place.column as Column, kept.text)
    if (read.ok) {
      without(place)
      change(read.value, place)
    } else
      setTexts((all) => ({
        ...all,
        [keyOf(place)]: { text: kept.text, problem: read.problem, line: asItStands(plan, place.line) },
      }))
  }

  const actions = useStable<CellActions>({
    focus: (place) => {
      setFocus(place)
      if (place) onFocus()
    },
    text: (place, text) => setTexts((all) => ({ ...all, [keyOf(place)]: { text } })),
    commit,
    restore: without,
    working: () => document.querySelector<HTMLElement>('.working')?.focus(),
  })
  return { shown, isTyping: typing != null, focus, texts: stillWrong, actions, leave: () => setFocus(null) }
}
