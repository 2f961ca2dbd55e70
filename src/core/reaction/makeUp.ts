import type { Form } from '../plan/plan'

/** How a solution is made: so much of a solid, or so much of a stronger solution or a liquid, made up to a volume. */
export interface Recipe {
  take: { unit: 'g' | 'mL'; value: number }
  /** mL of the whole. */
  toML: number
  /** The working, in one line. */
  how: string
}

/** The molar strength of a form in mol/L; null where something of it is not said. */
export function molarityOf(form: Form, gPerMol: number, neatGPerML?: number): number | null {
  switch (form.kind) {
    case 'solution':
      return form.molPerL ?? null
    case 'mass-volume':
      return form.gPer100ML === undefined ? null : (10 * form.gPer100ML) / gPerMol
    case 'mass-fraction':
      return form.fraction === undefined || form.gPerML === undefined ? null : (1000 * form.fraction * form.gPerML) / gPerMol
    case 'neat':
      return neatGPerML === undefined ? null : (1000 * form.purity * neatGPerML) / gPerMol
    case 'solid':
      return null
  }
}

const waterOfCrystal = 18.015
const figures = (value: number) => String(Number(value.toPrecision(4)))

/**
 * What to take for a volume of a molar strength: m = c·V·(M + 18.015·hydrate)/w of a solid of purity w, or V₁ = c₂·V₂/c₁ of a stronger solution.
 * @throws RangeError where strength and volume are not positive, or what it is made from is not stronger
 */
export function makeUp(
  { molPerL, toML, gPerMol, neatGPerML }: { molPerL: number; toML: number; gPerMol: number; neatGPerML?: number | undefined },
  from: Form,
): Recipe {
  if (!(molPerL > 0 && toML > 0)) throw new RangeError('A solution has a strength and a volume.')
  const mmol = molPerL * toML
  if (from.kind === 'solid') {
    const whole = gPerMol + waterOfCrystal * (from.water ?? 0)
    return {
      take: { unit: 'g', value: (mmol * whole) / 1000 / from.purity },
      toML,
      how: `${figures(molPerL)} mol/L × ${toML} mL × ${whole.toFixed(2)} g/mol${from.purity < 1 ? ` ÷ ${from.purity}` : ''}`,
    }
  }
  const strength = molarityOf(from, gPerMol, neatGPerML)
  if (strength === null) throw new RangeError('The strength of what it is made from is not said.')
  if (strength <= molPerL) throw new RangeError(`${strength.toFixed(2)} mol/L is not stronger than ${molPerL} mol/L.`)
  return {
    take: { unit: 'mL', value: mmol / strength },
    toML,
    how: `${figures(molPerL)} mol/L × ${toML} mL ÷ ${figures(strength)} mol/L`,
  }
}

/** A saturated solution is made with this much more than dissolves, so that some stays on the bottom. */
export const saturationExcess = 0.1
