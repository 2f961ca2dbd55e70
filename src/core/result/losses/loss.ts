/** Every way of losing something, in the order of the work. */
export const lossKinds = ['unreacted', 'other layers', 'hold-up', 'samples', 'mother liquor', 'purifying', 'unexplained'] as const

export type LossKind = (typeof lossKinds)[number]

/** One way in which something did not reach the vial, g of the product, with its span. */
export interface Loss {
  key: string
  kind: LossKind
  /** What it is called in a picture: `mother liquor`. */
  words: string
  /** The step it belongs to; absent where it belongs to none. */
  step?: string
  g: number
  lowG: number
  highG: number
  /** Expected from a rule, weighed by the group, or what is left over. */
  by: 'rule' | 'balance' | 'left over'
  /** The working in one line. */
  how: string
}
