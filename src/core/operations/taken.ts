/** What a step takes from the stores besides its lines: used up, or apparatus that comes back. */
const expendables = [
  'boiling chips',
  'capillaries',
  'cotton wool',
  'filter paper',
  'ice',
  'indicator paper',
  'sample vial',
  'test tubes',
  'thin-layer plate',
  'drying agent',
] as const

export const apparatus = [
  'reflux condenser',
  'distillation head with condenser',
  'fractionating column',
  'thermometer',
  'heater',
  'bath',
  'suction funnel and flask',
  'funnel',
  'separating funnel',
  'burette and stand',
  'cold finger',
  'developing chamber',
  'chromatography column',
] as const

export type Expendable = (typeof expendables)[number]
export type Apparatus = (typeof apparatus)[number]

/** One thing that one group takes for one step. */
export interface Taken {
  what: Expendable | Apparatus
  many: number
  /** Grams, where it is weighed; pieces where nothing is said. */
  unit?: 'g'
  /** Which: `70 mm`, `magnesium sulfate`. */
  which?: string
  /** Where the number comes from: worked out from the plan, or what is usual. */
  from: 'plan' | 'usual'
}

export const taking = (what: Taken['what'], many = 1, more: Partial<Omit<Taken, 'what' | 'many'>> = {}): Taken => ({
  what,
  many,
  from: 'usual',
  ...more,
})

export const isExpendable = (what: Taken['what']): what is Expendable => (expendables as readonly string[]).includes(what)
