import { disagreed } from './propose'
import type { LineChange, Proposal, ProposedLine, ProposedStep, StepChange } from './proposal'

/** True for what asks nothing more and can be taken. */
export const decided = (item: ProposedLine | ProposedStep): boolean =>
  item.asks.length === 0 && !('written' in item && item.substance === undefined)

/** What the author has said about a proposal: answers by item and question, changes, and what is left out. */
export interface Said {
  /** Number of the choice by `item/question`. */
  answers: Readonly<Record<string, number>>
  lines: Readonly<Record<string, LineChange>>
  steps: Readonly<Record<string, StepChange>>
  left: readonly string[]
  title?: string
}

/** How many items are taken as they stand, and how many still ask. */
export const counted = ({ lines, steps }: Proposal): { sure: number; asking: number } => {
  const all = [...lines, ...steps]
  const sure = all.filter(decided).length
  return { sure, asking: all.length - sure }
}

export const nothingSaid: Said = { answers: {}, lines: {}, steps: {}, left: [] }

function answered<T extends ProposedLine | ProposedStep>(item: T, { answers }: Said): T {
  return item.asks.reduce<T>((so, ask) => {
    const choice = answers[`${item.id}/${ask.id}`]
    const taken = choice === undefined ? undefined : ask.choices[choice]
    return taken ? ({ ...so, ...taken.change, asks: so.asks.filter((each) => (each as { id: string }).id !== ask.id) } as T) : so
  }, item)
}

/** The proposal as it stands after what was said; what was left out is not in it. */
export function withSaid(proposal: Proposal, said: Said): Proposal {
  const there = ({ id }: { id: string }) => !said.left.includes(id)
  const lines = proposal.lines.filter(there).map((line): ProposedLine => {
    const change = said.lines[line.id]
    const next = answered(line, said)
    if (!change) return next
    // A figure or a name that the author gives answers what was asked about it.
    const open = next.asks.filter(
      ({ id }) =>
        !(
          (id === 'amount' && change.anchor) ||
          (id === 'which' && change.substance) ||
          (['strength', 'basis'].includes(id) && change.form)
        ),
    )
    return { ...next, ...change, asks: open }
  })
  const steps = proposal.steps.filter(there).map((step): ProposedStep => ({ ...answered(step, said), ...said.steps[step.id] }))
  const next = { ...proposal, lines, steps, ...(said.title === undefined ? {} : { title: said.title }) }
  // What of a file was not taken stays said whatever else is.
  const ofFile = proposal.disagreements.filter(({ id }) => id.startsWith('not-taken'))
  return { ...next, disagreements: [...ofFile, ...disagreed(next)] }
}
