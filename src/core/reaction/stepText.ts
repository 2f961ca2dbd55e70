import { printed, type Words } from '../words/words'
import { exact, times } from '../quantity/figure'
import { writeFigureText } from '../quantity/write'
import { strengthText } from '../plan/lineName'
import { dispensed, isTyped, type ReactionTable } from './reactionTable'

export type TextPiece =
  | { kind: 'text'; text: string }
  | { kind: 'figure'; text: string }
  | { kind: 'amount'; line: string; amount: string; name: string; typed: boolean }

const figureToken = /^\{@([\w-]+)\}$/

/** The blanks of a step that its words name: `{@holdMin}`. */
export const blanksNamed = (text: Words): string[] => [
  ...new Set([...printed(text).matchAll(/\{@([\w-]+)\}/g)].map(([, key]) => key!)),
]

/**
 * A step's words with every `{line}` or `{line 8 %}` replaced by that line's amount, or so much of it, and its name, so that the sentence follows the scale; and every `{@blank}` by what stands in that blank
 * of the step.
 * @param figures what stands in the blanks that the words name, with its unit
 */
export function stepText(text: Words, table: ReactionTable, figures: Readonly<Record<string, string>> = {}): TextPiece[] {
  return printed(text)
    .split(/(\{@?[\w-]+(?: [\d.]+ %)?\})/)
    .flatMap((part): TextPiece[] => {
      const blank = figureToken.exec(part)?.[1]
      if (blank !== undefined) return [{ kind: 'figure', text: figures[blank] ?? part }]
      const [, id, percent] = /^\{([\w-]+)(?: ([\d.]+) %)?\}$/.exec(part) ?? []
      if (id === undefined) return part === '' ? [] : [{ kind: 'text', text: part }]
      const line = table.lines.find((candidate) => candidate.line.id === id)
      const measured = line ? dispensed(line) : null
      if (!line) return [{ kind: 'text', text: part }]
      return [
        {
          kind: 'amount',
          line: id,
          amount: measured
            ? writeFigureText(
                percent ? times(measured.figure, exact(Number(percent) / 100)) : measured.figure,
                measured.dimension,
              )
            : 'no amount of',
          name: [strengthText(line.line.form), line.substance.name].filter(Boolean).join(' '),
          typed: measured !== null && !percent && isTyped(line.line, measured.dimension),
        },
      ]
    })
}

/** The same as one plain string. */
export function stepTextPlain(text: Words, table: ReactionTable, figures?: Readonly<Record<string, string>>): string {
  return stepText(text, table, figures)
    .map((piece) => (piece.kind === 'amount' ? `${piece.amount} ${piece.name}` : piece.text))
    .join('')
}
