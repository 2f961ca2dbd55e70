import { piecesOf } from '../words/pieces'
import type { Words } from '../words/words'
import { exact, times } from '../quantity/figure'
import { writeFigureText } from '../quantity/write'
import { strengthText } from '../plan/lineName'
import { dispensed, isTyped, type ReactionTable } from './reactionTable'

/** What is printed for a field that words name and the step does not have. */
export const notNamed = 'not known'

export type TextPiece =
  | { kind: 'text'; text: string }
  | { kind: 'figure'; text: string }
  | { kind: 'amount'; line: string; amount: string; name: string; typed: boolean }

/** The blanks of a step that its words name: `{@holdMin}`. */
export const blanksNamed = (text: Words): string[] => [
  ...new Set(piecesOf(text).flatMap((piece) => (piece.kind === 'blank' ? [piece.key] : []))),
]

/**
 * A step's words with every `{line}` or `{line 8 %}` replaced by that line's amount, or so much of it, and its name, so that the sentence follows the scale; and every `{@blank}` by what stands in that blank
 * of the step.
 * @param figures what stands in the blanks that the words name, with its unit
 */
export function stepText(text: Words, table: ReactionTable, figures: Readonly<Record<string, string>> = {}): TextPiece[] {
  const pieces = piecesOf(text).map((piece): TextPiece => {
    if (piece.kind === 'text') return piece
    if (piece.kind === 'blank') return { kind: 'figure', text: figures[piece.key] ?? notNamed }
    const line = table.lines.find((candidate) => candidate.line.id === piece.line)
    if (!line) return { kind: 'text', text: notNamed }
    const measured = dispensed(line)
    const whole = piece.part === 1
    return {
      kind: 'amount',
      line: piece.line,
      amount: measured
        ? writeFigureText(whole ? measured.figure : times(measured.figure, exact(piece.part)), measured.dimension)
        : 'no amount of',
      name: [strengthText(line.line.form), line.substance.name].filter(Boolean).join(' '),
      typed: measured !== null && whole && isTyped(line.line, measured.dimension),
    }
  })
  return pieces.map((piece, index) => {
    const before = pieces[index - 1]
    // In one portion, not in 1 portions.
    return piece.kind === 'text' && before?.kind === 'figure' && before.text === '1'
      ? { ...piece, text: piece.text.replace(/^ portions\b/, ' portion') }
      : piece
  })
}

/** The same as one plain string. */
export function stepTextPlain(text: Words, table: ReactionTable, figures?: Readonly<Record<string, string>>): string {
  return stepText(text, table, figures)
    .map((piece) => (piece.kind === 'amount' ? `${piece.amount} ${piece.name}` : piece.text))
    .join('')
}
