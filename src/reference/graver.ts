import type { Plan } from '@/core/plan/plan'
import type { SubstanceRecord } from '@/core/substance/record'
import type { Substance } from '@/core/substance/substance'
import { signalOf } from './hazardStatements'
import { pictogramsOf } from './pictograms'
import { cautionOf, substanceRecords } from './records'

/** A substance of a plan about which its record says graver things now than when the plan took its copy. */
export interface GraverNote {
  substance: string
  /** Codes of the statements that are new. */
  news: string[]
}

/** The part of a record that is graver than a plan's copy; undefined where the copy says as much. Hazards that an author took from a label stand as they are. */
function graver(copy: Substance, record: SubstanceRecord): { merged: Substance; news: string[] } | undefined {
  if (copy.formula !== record.formula || !record.hazards) return undefined
  if (copy.hazards && copy.hazards.byAuthor) return undefined
  const had = copy.hazards?.statements ?? []
  const more = record.hazards.statements.filter((code) => !had.includes(code))
  if (more.length === 0) return undefined
  const codes = [...had, ...more]
  const decided = signalOf(codes)
  const caution = cautionOf(codes)
  return {
    merged: {
      ...copy,
      hazards: {
        signal: decided === 'asked' ? record.hazards.signal : decided,
        pictograms: pictogramsOf(codes),
        statements: codes,
        source: record.hazards.source,
      },
      ...(caution ? { caution } : {}),
    },
    news: more,
  }
}

/** Plans that have them already, with what was new. */
const merged = new WeakMap<Plan, GraverNote[]>()

/**
 * A plan with the hazards that its records have gained since it was frozen, and what is new about which substance. What has become milder stays as the plan has it.
 */
export function withGraver(
  plan: Plan,
  records: readonly SubstanceRecord[] = substanceRecords,
): { plan: Plan; graver: GraverNote[] } {
  const before = merged.get(plan)
  if (before) return { plan, graver: before }
  const notes: GraverNote[] = []
  const substances = plan.substances.map((copy) => {
    const record = records.find(({ id }) => id === copy.id)
    const found = record && graver(copy, record)
    if (!found) return copy
    notes.push({ substance: copy.name, news: found.news })
    return found.merged
  })
  if (notes.length === 0) return { plan, graver: notes }
  const now = { ...plan, substances }
  merged.set(now, notes)
  return { plan: now, graver: notes }
}
