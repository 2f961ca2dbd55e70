'use client'

import { decided, type Said } from '@/core/reading/handout/decide'
import type { Proposal, ProposedLine } from '@/core/reading/handout/proposal'
import type { Plan } from '@/core/plan/plan'
import { strengthText } from '@/core/plan/lineName'
import { writeFigureText, writeQuantity, writeRatio } from '@/core/quantity/write'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { ChangeLine } from './ChangeLine'
import { Row } from './Row'
import type { Deed } from './useSaid'

interface Props {
  course: string
  /** As the text has it, and as it stands after what was said. */
  proposal: Proposal
  now: Proposal
  plan: Plan
  table: ReactionTable
  said: Said
  numbers: ReadonlyMap<string, number>
  at: string | undefined
  open: string | undefined
  onAt: (id: string) => void
  onOpen: (id: string) => void
  onSay: (deed: Deed) => void
}

/** The amount as the text has it: with its portions, and the unit that it was written in. */
function amountText(line: ProposedLine): string {
  const { measure, anchor } = line
  if (!anchor) return ''
  const asRead = measure && measure.low === measure.high && 'quantity' in anchor
  if (asRead && measure.times !== undefined && Math.abs(measure.high * measure.times - anchor.quantity.value) < 1e-9)
    return `${measure.times} × ${writeQuantity({ ...anchor.quantity, value: measure.high })}`
  return 'quantity' in anchor ? writeQuantity(anchor.quantity) : ''
}

const inFull = (line: ProposedLine) => (line.anchor && 'quantity' in line.anchor ? writeQuantity(line.anchor.quantity) : '')

/** The lines that were read, as rows of a reaction table that is not one yet. */
export function LineRows({ course, proposal, now, plan, table, said, numbers, at, open, onAt, onOpen, onSay }: Props) {
  return (
    <ol className="read-lines" aria-label="Reaction table">
      {proposal.lines.map((line) => {
        const current = now.lines.find(({ id }) => id === line.id)
        const shown = current ?? line
        const computed = plan.lines.some(({ id }) => id === line.id)
          ? table.lines.find((each) => each.line.id === line.id)
          : undefined
        const name = shown.substance?.name ?? shown.written
        const state = !current ? 'left' : !decided(current) ? 'asks' : shown.follows ? 'follows' : 'ready'
        const strength = strengthText(shown.form)
        return (
          <Row
            key={line.id}
            item={line}
            number={numbers.get(line.id)}
            name={name}
            state={state}
            at={at === line.id}
            answers={said.answers}
            className="line"
            onAt={() => onAt(line.id)}
            onOpen={() => onOpen(line.id)}
            onSay={onSay}
            change={
              open === line.id ? (
                <ChangeLine
                  key={inFull(shown)}
                  course={course}
                  line={shown}
                  amount={inFull(shown)}
                  onChange={(change) => onSay({ do: 'line', id: line.id, change })}
                />
              ) : undefined
            }
          >
            <span className="what">
              {name}
              {strength && `, ${strength}`}
              <span className="role">{shown.role}</span>
            </span>
            <span className="fig typed">{amountText(shown)}</span>
            <span className="fig derived">
              {computed?.amount ? writeFigureText(computed.amount, 'amount') : shown.follows ? '' : '–'}
            </span>
            <span className="fig derived">{computed?.ratio ? writeRatio(computed.ratio) : ''}</span>
          </Row>
        )
      })}
    </ol>
  )
}
