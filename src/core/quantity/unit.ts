/** What a quantity measures. */
export type Dimension = 'mass' | 'volume' | 'amount' | 'temperature' | 'concentration' | 'percent' | 'density' | 'time' | 'number'

interface UnitRecord {
  dimension: Dimension
  /** How many base units one of this unit is. Base units: g, mL, mmol, °C, mol/L, fraction, g/mL, min, 1. */
  factor: number
  /** Other ways of writing it that are unambiguous, besides the symbol itself. */
  alsoWritten: readonly string[]
}

/** Every unit that Mozle reads and writes, by its printed symbol. Factors are exact by definition (SI). */
export const units = {
  µg: { dimension: 'mass', factor: 1e-6, alsoWritten: ['ug', 'μg'] },
  mg: { dimension: 'mass', factor: 1e-3, alsoWritten: [] },
  g: { dimension: 'mass', factor: 1, alsoWritten: ['gram', 'grams'] },
  kg: { dimension: 'mass', factor: 1e3, alsoWritten: [] },
  µL: { dimension: 'volume', factor: 1e-3, alsoWritten: ['ul', 'uL', 'μL', 'μl', 'µl'] },
  mL: { dimension: 'volume', factor: 1, alsoWritten: ['ml', 'cm3', 'cm³', 'cm^3'] },
  L: { dimension: 'volume', factor: 1e3, alsoWritten: ['l', 'dm3', 'dm³', 'dm^3'] },
  µmol: { dimension: 'amount', factor: 1e-3, alsoWritten: ['umol', 'μmol'] },
  mmol: { dimension: 'amount', factor: 1, alsoWritten: [] },
  mol: { dimension: 'amount', factor: 1e3, alsoWritten: [] },
  '°C': { dimension: 'temperature', factor: 1, alsoWritten: ['degC', 'C', 'ºC'] },
  'mol/L': { dimension: 'concentration', factor: 1, alsoWritten: ['M', 'mol/l', 'mmol/mL', 'mmol/ml', 'mol/dm3'] },
  'mmol/L': { dimension: 'concentration', factor: 1e-3, alsoWritten: ['mM', 'mmol/l'] },
  '%': { dimension: 'percent', factor: 0.01, alsoWritten: ['percent', 'per cent'] },
  'g/mL': { dimension: 'density', factor: 1, alsoWritten: ['g/ml', 'g/cm3', 'g/cm³'] },
  s: { dimension: 'time', factor: 1 / 60, alsoWritten: ['sec'] },
  min: { dimension: 'time', factor: 1, alsoWritten: [] },
  h: { dimension: 'time', factor: 60, alsoWritten: ['hr'] },
} as const satisfies Record<string, UnitRecord>

/** The printed symbol of a unit. */
export type Unit = keyof typeof units

/** A quantity as a person typed it: `4.00 mL` keeps its two decimals, because they say how well it is meant. */
export interface Quantity {
  value: number
  unit: Unit
  /** Digits after the decimal point as typed. */
  decimals: number
}

/** The unit that a written symbol stands for, or undefined when it is none or could be two. */
export function unitWritten(symbol: string): Unit | undefined {
  for (const [unit, record] of Object.entries(units)) {
    if (unit === symbol || (record.alsoWritten as readonly string[]).includes(symbol)) return unit as Unit
  }
  return undefined
}

/** The value in the base unit of its dimension (g, mL, mmol, °C, mol/L, fraction, g/mL, min). */
export function inBaseUnit(quantity: Pick<Quantity, 'value' | 'unit'>): number {
  return quantity.value * units[quantity.unit].factor
}
