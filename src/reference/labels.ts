import { strengthText } from '@/core/plan/lineName'
import type { Form } from '@/core/plan/plan'
import type { WasteStream } from '@/core/substance/lists'
import { wasteWords } from '@/core/substance/wasteWords'
import { substanceRecords } from './records'
import { hazardsAt } from './hazardsAt'

/** What stands on a label. */
export interface Label {
  kind: 'substance' | 'solution' | 'sample' | 'waste'
  name: string
  /** Strength, state or what it is for. */
  detail: string
  signal: string
  pictograms: string[]
  /** Codes of hazard statements. */
  statements: string[]
  /** Where the hazards come from, or that none is on record. */
  from: string
  /** What its code opens: a path of this program. */
  path: string
}

interface Labelled {
  name: string
  formula?: string | undefined
  hazards?: { signal: string; statements: readonly string[] } | undefined
}

/** The label of a substance or a solution: the hazards are those of the strength on it. */
export function labelOf(substance: Labelled, form: Form): Label {
  const { codes, signal, pictograms, from } = hazardsAt(substance, form)
  return {
    kind: form.kind === 'solid' || form.kind === 'neat' ? 'substance' : 'solution',
    name: substance.name,
    detail: strengthText(form),
    signal,
    pictograms,
    statements: codes,
    from,
    path: cardOf(substance.name),
  }
}

/** The label of a waste container: what comes into it, and all that any of it is. Nothing says that a mixture is less dangerous than its parts. */
export function wasteLabel(stream: WasteStream, parts: readonly { substance: Labelled; form: Form }[], path: string): Label {
  const each = parts.map(({ substance, form }) => labelOf(substance, form))
  const signals = each.map(({ signal }) => signal)
  return {
    kind: 'waste',
    name: stream,
    detail: [...new Set(parts.map(({ substance }) => substance.name))].join(', '),
    signal: signals.includes('danger') ? 'danger' : signals.includes('warning') ? 'warning' : 'none',
    pictograms: [...new Set(each.flatMap(({ pictograms }) => pictograms))].sort(),
    statements: [...new Set(each.flatMap(({ statements }) => statements))],
    from: wasteWords[stream] ?? 'all that its parts are',
    path,
  }
}

/** The card of a substance in the Reference; the Reference itself for what has none. */
function cardOf(name: string): string {
  const record = substanceRecords.find((each) => each.name === name)
  return record ? `/reference?substance=${record.id}` : '/reference'
}
