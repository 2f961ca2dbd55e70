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

/** A number for each line and step that stands in the text, by where it begins there. */
export function numbersOf({ lines, steps }: Proposal): Map<string, number> {
  const places = [
    ...lines.filter(({ spans }) => spans.length > 0).map(({ id, spans }) => ({ id, from: spans[0]!.from })),
    ...steps.filter(({ offered }) => offered === undefined).map(({ id, read }) => ({ id, from: read.from + 0.5 })),
  ].sort((a, b) => a.from - b.from)
  return new Map(places.map(({ id }, index) => [id, index + 1]))
}

/** The places of the text that something was read from, without overlap, in their order. */
function marksOf(proposal: Proposal, numbers: ReadonlyMap<string, number>, left: readonly string[]): Piece[] {
  const { lines, steps, read } = proposal
  const kindOf = (item: (typeof lines)[number] | (typeof steps)[number]) =>
    left.includes(item.id) ? ('left' as const) : decided(item) ? ('sure' as const) : ('asks' as const)
  const ofLines = lines.flatMap((line) =>
    line.spans.map((span): Piece => ({ from: span.from, to: span.to, item: line.id, kind: kindOf(line) })),
  )
  const ofSteps = steps.flatMap((step) => {
    if (step.offered !== undefined) return []
    const places = [...step.fields, ...(step.read.until ? [step.read.until] : []), ...(step.read.vessel ? [step.read.vessel] : [])]
    return places.map(({ from, to }): Piece => ({ from, to, item: step.id, kind: kindOf(step) }))
  })
  const said = read.sayings.map(({ from, to }): Piece => ({ from, to, kind: 'said' }))
  const warns = steps.flatMap(({ read: { warnings } }) => warnings.map(({ from, to }): Piece => ({ from, to, kind: 'warns' })))
  const words = proposal.left.map(({ from, to }): Piece => ({ from, to, kind: 'words' }))
  const ranked = [...ofLines, ...ofSteps, ...said, ...warns, ...words]
  const apart = ranked.filter((piece, index) => !ranked.slice(0, index).some((other) => piece.from < other.to && other.from < piece.to))
  const shown = new Set<string>()
  return apart
    .sort((a, b) => a.from - b.from)
    .map((piece) => {
      const number = piece.item === undefined || shown.has(piece.item) ? undefined : numbers.get(piece.item)
      if (piece.item !== undefined) shown.add(piece.item)
      return number === undefined ? piece : { ...piece, number }
    })
}

/** The whole text in pieces. */
export function piecesOf(proposal: Proposal, numbers: ReadonlyMap<string, number>, left: readonly string[]): Piece[] {
  const marks = marksOf(proposal, numbers, left)
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
