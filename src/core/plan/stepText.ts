import { exact, times } from '../quantity/figure'
import { writeFigureText } from '../quantity/write'
import { strengthText } from './lineName'
import type { Step } from './plan'
import { dispensed, isTyped, type ReactionTable } from '../reaction/reactionTable'

export type TextPiece =
  { kind: 'text'; text: string } | { kind: 'amount'; line: string; amount: string; name: string; typed: boolean }

/** A step's words with every `{line}` or `{line 8 %}` replaced by that line's amount, or so much of it, and its name, so that the sentence follows the scale. */
export function stepText(text: string, table: ReactionTable): TextPiece[] {
  return text.split(/(\{[\w-]+(?: [\d.]+ %)?\})/).flatMap((part): TextPiece[] => {
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
          ? writeFigureText(percent ? times(measured.figure, exact(Number(percent) / 100)) : measured.figure, measured.dimension)
          : 'no amount of',
        name: [strengthText(line.line.form), line.substance.name].filter(Boolean).join(' '),
        typed: measured !== null && !percent && isTyped(line.line, measured.dimension),
      },
    ]
  })
}

/** The lines that a step uses with the part of each, 1 for all of it: the charged one, and those named in its words. */
export function partsUsed(step: Step): readonly PartUsed[] {
  const known = used.get(step)
  if (known) return known
  const parts = partsOf(step)
  used.set(step, parts)
  return parts
}

export interface PartUsed {
  line: string
  part: number
}

/** Steps are values, and most of them outlive a keystroke; every rule asks for their parts. */
const used = new WeakMap<Step, readonly PartUsed[]>()

function partsOf(step: Step): PartUsed[] {
  const named = [...step.text.matchAll(/\{([\w-]+)(?: ([\d.]+) %)?\}/g)].map(([, line, percent]) => ({
    line: line!,
    part: percent ? Number(percent) / 100 : 1,
  }))
  const own =
    step.kind === 'charge'
      ? [{ line: step.line, part: step.portion ?? 1 }]
      : step.kind === 'crystallise'
        ? [{ line: step.solvent, part: 1 }]
        : []
  return [...own, ...named.filter(({ line }) => !own.some((other) => other.line === line))]
}

/** The same as one plain string. */
export function stepTextPlain(text: string, table: ReactionTable): string {
  return stepText(text, table)
    .map((piece) => (piece.kind === 'text' ? piece.text : `${piece.amount} ${piece.name}`))
    .join('')
}
