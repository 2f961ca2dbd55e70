import type { Plan } from '@/core/plan/plan'
import { safetySheet } from '@/core/safety/safetySheet'
import { precautionsFor, statementText } from '@/reference/hazardStatements'

/** First aid and spill measures that go with the hazards of a plan, with their full texts. */
export function measuresFor(plan: Plan): string[] {
  return precautionsFor(safetySheet(plan).codes)
    .filter((code) => code.startsWith('P3'))
    .map(statementText)
}
