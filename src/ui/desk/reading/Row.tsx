'use client'

import type { KeyboardEvent, ReactNode } from 'react'
import type { ProposedLine, ProposedStep } from '@/core/reading/handout/proposal'
import type { Deed } from './useSaid'

interface Props {
  /** As the text has it: with its questions. */
  item: ProposedLine | ProposedStep
  number: number | undefined
  name: string
  state: 'ready' | 'asks' | 'left' | 'follows'
  at: boolean
  answers: Readonly<Record<string, number>>
  className: string
  children: ReactNode
  /** What can be changed about it, while it is open. */
  change?: ReactNode
  onAt: () => void
  onSay: (deed: Deed) => void
  onOpen: () => void
}

const moves: Readonly<Record<string, number>> = { ArrowDown: 1, j: 1, ArrowUp: -1, k: -1 }

/** Goes to the row above or below. */
function move(from: HTMLElement, by: number): void {
  const rows = [...document.querySelectorAll<HTMLElement>('.read-row')]
  rows[rows.indexOf(from) + by]?.focus()
}

/** One line or step that was read: its keys are arrows, digits for an answer, Enter to change it, Delete to leave it out. */
export function Row({ item, number, name, state, at, answers, className, children, change, onAt, onSay, onOpen }: Props) {
  const open = item.asks.filter(({ id }) => answers[`${item.id}/${id}`] === undefined)
  const answer = (ask: string, choice: number) => onSay({ do: 'answer', key: `${item.id}/${ask}`, choice })
  const toggle = () => onSay({ do: state === 'left' ? 'take' : 'leave', ids: [item.id] })
  const key = (event: KeyboardEvent<HTMLElement>) => {
    if (event.target !== event.currentTarget || event.ctrlKey || event.metaKey || event.altKey) return
    const by = moves[event.key]
    const [ask] = open
    const digit = Number(event.key)
    if (by) move(event.currentTarget, by)
    else if (event.key === 'Delete' || event.key === 'x') toggle()
    else if (event.key === 'Enter') onOpen()
    else if (ask && digit >= 1 && digit <= ask.choices.length) answer(ask.id, digit - 1)
    else return
    event.preventDefault()
  }
  return (
    <li
      className={`read-row ${className} ${state}${at ? ' on' : ''}`}
      id={`read-${item.id}`}
      tabIndex={0}
      aria-label={`${name}: ${{ ready: 'ready', asks: 'asks', left: 'left out', follows: 'follows' }[state]}`}
      onFocus={(event) => event.target === event.currentTarget && onAt()}
      onMouseDown={onAt}
      onKeyDown={key}
    >
      <span className="number fig">{number}</span>
      {children}
      <span className="acts">
        {state !== 'left' && (
          <button
            type="button"
            className="link"
            aria-label={`Change ${name}`}
            aria-expanded={change !== undefined}
            onClick={onOpen}
          >
            change
          </button>
        )}
        <button type="button" className="link" aria-label={`${state === 'left' ? 'Take' : 'Leave out'} ${name}`} onClick={toggle}>
          {state === 'left' ? 'take it' : 'leave out'}
        </button>
      </span>
      {state !== 'left' &&
        item.asks.map((ask) => {
          const chosen = answers[`${item.id}/${ask.id}`]
          return (
            <span key={ask.id} className={`ask${chosen === undefined ? '' : ' answered'}`} role="group" aria-label={ask.words}>
              <span className="words">{ask.words}</span>
              {ask.choices.map(({ label }, index) => (
                <button
                  key={label}
                  type="button"
                  className="link"
                  aria-pressed={chosen === index}
                  onClick={() => answer(ask.id, index)}
                >
                  {label}
                </button>
              ))}
            </span>
          )
        })}
      {change}
    </li>
  )
}
