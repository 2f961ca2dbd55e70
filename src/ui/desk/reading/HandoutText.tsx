'use client'

import type { Proposal } from '@/core/reading/handout/proposal'
import { piecesOf } from './marks'

const says = { sure: '', asks: 'asks', left: 'left out', said: '', words: 'stays as words', warns: 'a warning' } as const

/** The text as it was pasted, with a line under what something was read from and the number of its row. */
export function HandoutText({
  proposal,
  numbers,
  left,
  at,
  onPick,
}: {
  proposal: Proposal
  numbers: ReadonlyMap<string, number>
  left: readonly string[]
  /** The item that is looked at. */
  at: string | undefined
  onPick: (item: string) => void
}) {
  const { text } = proposal.read
  return (
    <div className="handout-text" role="region" aria-label="The text" tabIndex={0}>
      {piecesOf(proposal, numbers, left).map(({ from, to, item, kind, number }) => {
        const words = text.slice(from, to)
        if (!kind) return <span key={from}>{words}</span>
        return (
          <span key={from}>
            <mark
              className={`${kind}${item !== undefined && item === at ? ' on' : ''}`}
              title={says[kind] || undefined}
              onClick={item === undefined ? undefined : () => onPick(item)}
            >
              {words}
            </mark>
            {number !== undefined && <sup>{number}</sup>}
          </span>
        )
      })}
    </div>
  )
}
