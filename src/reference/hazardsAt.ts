import type { Form } from '@/core/plan/plan'
import { molarityOf } from '@/core/reaction/makeUp'
import { dilutionHazards } from '@/core/substance/dilutionHazards'
import { molarMass } from '@/core/substance/molarMass'
import type { Substance } from '@/core/substance/substance'
import { signalOf } from './hazardStatements'
import { pictogramsOf } from './pictograms'

/** What a label says: codes of statements, signal word, pictograms, and on what ground. */
export interface LabelHazards {
  codes: string[]
  signal: string
  pictograms: string[]
  from: string
}

/** Mass fraction of what is dissolved; null where its density or its strength is not said. */
export function fractionOf(form: Form, gPerMol: number): number | null {
  if (form.kind === 'mass-fraction') return form.fraction ?? null
  const molPerL = molarityOf(form, gPerMol)
  const gPerML = 'gPerML' in form ? form.gPerML : undefined
  return molPerL !== null && gPerML ? (molPerL * gPerMol) / (1000 * gPerML) : null
}

/**
 * What the label of a substance in a form says: of a solution in water by the limits of the regulation, where its strength as a mass fraction and the limits are known; else what is said of the pure substance, and that it is that.
 */
export function hazardsAt(
  {
    formula,
    groups,
    hazards,
  }: {
    formula?: string | undefined
    groups?: Substance['groups']
    hazards?: { signal: string; statements: readonly string[] } | undefined
  },
  form: Form,
): LabelHazards {
  const dissolved = form.kind !== 'solid' && form.kind !== 'neat'
  const inWater = dissolved && !('solvent' in form && form.solvent !== undefined)
  const fraction = inWater && formula !== undefined ? fractionOf(form, molarMass(formula)) : null
  const byLimit = fraction !== null ? dilutionHazards({ formula, groups }, fraction) : null
  const codes = byLimit ? [...byLimit] : [...(hazards?.statements ?? [])]
  const decided = signalOf(codes)
  return {
    codes,
    signal: decided === 'asked' ? (hazards?.signal ?? 'danger') : decided,
    pictograms: pictogramsOf(codes),
    from: byLimit
      ? 'by the concentration limits of the regulation'
      : codes.length === 0
        ? 'hazards not known: get the safety data sheet'
        : dissolved
          ? 'those of the pure substance: no limits for its solutions are on record'
          : 'of the substance',
  }
}
