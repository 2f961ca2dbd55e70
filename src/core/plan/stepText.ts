import { writeFigureText } from '../quantity/write'
import { dispensed, isTyped, type ReactionTable } from '../reaction/reactionTable'

export type TextPiece =
  { kind: 'text'; text: string } | { kind: 'amount'; line: string; amount: string; name: string; typed: boolean }

/** A step's words with every `{line}` replaced by that line's amount and name, so that the sentence follows the scale. */
export function stepText(text: string, table: ReactionTable): TextPiece[] {
  return text.split(/(\{[\w-]+\})/).flatMap((part): TextPiece[] => {
    const id = /^\{([\w-]+)\}$/.exec(part)?.[1]
    if (id === undefined) return part === '' ? [] : [{ kind: 'text', text: part }]
    const line = table.lines.find((candidate) => candidate.line.id === id)
    const measured = line ? dispensed(line) : null
    if (!line) return [{ kind: 'text', text: part }]
    return [
      {
        kind: 'amount',
        line: id,
        amount: measured ? writeFigureText(measured.figure, measured.dimension) : 'no amount of',
        name: line.substance.name,
        typed: measured !== null && isTyped(line.line, measured.dimension),
      },
    ]
  })
}

/** The same as one plain string. */
export function stepTextPlain(text: string, table: ReactionTable): string {
  return stepText(text, table)
    .map((piece) => (piece.kind === 'text' ? piece.text : `${piece.amount} ${piece.name}`))
    .join('')
}
