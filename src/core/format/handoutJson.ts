import { decided } from '../reading/handout/decide'
import type { Proposal, ProposedLine, ProposedStep } from '../reading/handout/proposal'
import type { Span } from '../reading/handout/span'

/** Where something stands in the text: its first character and the one after its last, counted from 0, and the words. */
interface Place extends Span {
  text: string
}

/** What was read from a text, as `mozle read` prints it (docs/formats). */
export function handoutJson(proposal: Proposal) {
  const { text } = proposal.read
  const place = ({ from, to }: Span): Place => ({ from, to, text: text.slice(from, to) })
  const asks = (of: ProposedLine | ProposedStep) =>
    of.asks.map(({ words, choices }) => ({ words, choices: choices.map(({ label }) => label) }))
  return {
    format: 'mozle-reading' as const,
    version: 1 as const,
    title: proposal.title,
    does: proposal.does,
    product: proposal.product ?? null,
    reference: proposal.reference ?? null,
    balanced: proposal.balanced,
    lines: proposal.lines.map((line) => ({
      id: line.id,
      substance: line.substance
        ? { id: line.substance.id, name: line.substance.name, formula: line.substance.formula ?? null }
        : null,
      written: line.written,
      role: line.role,
      coefficient: line.coefficient,
      form: line.form,
      anchor: line.anchor,
      follows: line.follows ?? false,
      sure: decided(line),
      asks: asks(line),
      places: line.spans.map(place),
    })),
    steps: proposal.steps.map((step) => ({
      id: step.id,
      operation: step.operation,
      fields: step.fields.map(({ key, value, inWords, ...at }) => ({
        field: key.replace('@', ''),
        value,
        figure: !inWords,
        place: place(at),
      })),
      until: step.read.until ? place(step.read.until) : null,
      vessel: step.read.vessel
        ? { kind: step.read.vessel.kind, sizeML: step.read.vessel.sizeML, place: place(step.read.vessel) }
        : null,
      lines: step.lines.map(({ id, at }) => ({ line: id, part: step.parts?.[id] ?? 1, place: place(at) })),
      sure: decided(step),
      asks: asks(step),
      offered: step.offered ?? null,
      place: step.offered === undefined ? place(step.read) : null,
      warnings: step.read.warnings.map(place),
      words: step.read.words.map(place),
    })),
    says: proposal.read.sayings.map(({ of, low, high, unit, substance, ...at }) => ({
      of,
      low,
      high,
      unit,
      substance: substance ?? null,
      place: place(at),
    })),
    disagreements: proposal.disagreements.map(({ id, title, words, at }) => ({ id, title, words, places: at.map(place) })),
    notUnderstood: proposal.left.map(place),
  }
}
