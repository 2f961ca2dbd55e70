import { decided } from '@/core/reading/handout/decide'
import type { Proposal } from '@/core/reading/handout/proposal'
import type { Span } from '@/core/reading/handout/span'

/** A piece of the text as it stands on the page. */
export interface Piece extends Span {
  /** Id of the line or step that was read from it. */
  item?: string
  kind?: 'sure' | 'asks' | 'left' | 'said' | 'words' | 'warns'
  /** The number that joins it to its row; at the first place of each item. */
  number?: number
}

/** The places of the text that something was read from, without overlap, in their order. */
function marksOf(proposal: Proposal, left: readonly string[]): Piece[] {
  const { lines, steps, read } = proposal
  const kindOf = (item: (typeof lines)[number] | (typeof steps)[number]) =>
    left.includes(item.id) ? ('left' as const) : decided(item) ? ('sure' as const) : ('asks' as const)
  const ofLines = lines.flatMap((line) =>
    line.spans.map((span): Piece => ({ from: span.from, to: span.to, item: line.id, kind: kindOf(line) })),
  )
  const ofSteps = steps.flatMap((step) => {
    if (step.offered !== undefined) return []
    const places = [
      ...(step.read.verb ? [step.read.verb] : []),
      ...step.fields,
      ...(step.read.until ? [step.read.until] : []),
      ...(step.read.vessel ? [step.read.vessel] : []),
    ]
    return places.map(({ from, to }): Piece => ({ from, to, item: step.id, kind: kindOf(step) }))
  })
  const said = read.sayings.map(({ from, to }): Piece => ({ from, to, kind: 'said' }))
  const warns = steps.flatMap(({ read: { warnings } }) => warnings.map(({ from, to }): Piece => ({ from, to, kind: 'warns' })))
  const words = proposal.left.map(({ from, to }): Piece => ({ from, to, kind: 'words' }))
  const ranked = [...ofLines, ...ofSteps, ...said, ...warns, ...words]
  const apart = ranked.filter(
    (piece, index) => !ranked.slice(0, index).some((other) => piece.from < other.to && other.from < piece.to),
  )
  return apart.sort((a, b) => a.from - b.from)
}

/** A number for each line and step, in the order in which they are met in the text. */
export function numbersOf(proposal: Proposal): Map<string, number> {
  const met = marksOf(proposal, []).flatMap(({ item }) => (item === undefined ? [] : [item]))
  const numbers = new Map([...new Set(met)].map((id, index) => [id, index + 1]))
  // Of several steps by one verb the later stand where their line does.
  for (const { id, lines } of proposal.steps) {
    const number = numbers.get(lines[0]?.id ?? '')
    if (!numbers.has(id) && number !== undefined) numbers.set(id, number)
  }
  return numbers
}

/** The whole text in pieces. */
export function piecesOf(proposal: Proposal, numbers: ReadonlyMap<string, number>, left: readonly string[]): Piece[] {
  const shown = new Set<string>()
  const marks = marksOf(proposal, left).map((piece) => {
    const number = piece.item === undefined || shown.has(piece.item) ? undefined : numbers.get(piece.item)
    if (piece.item !== undefined) shown.add(piece.item)
    return number === undefined ? piece : { ...piece, number }
  })
  const pieces: Piece[] = []
  let at = 0
  for (const mark of marks) {
    if (mark.from > at) pieces.push({ from: at, to: mark.from })
    pieces.push(mark)
    at = mark.to
  }
  if (at < proposal.read.text.length) pieces.push({ from: at, to: proposal.read.text.length })
  return pieces
}
