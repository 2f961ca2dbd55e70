export const roles = [
  'reactant',
  'reagent',
  'catalyst',
  'solvent',
  'work-up',
  'product',
  'by-product',
  /** What forms on the way and is used up again: it has a theoretical mass of its own, and no place in the equation. */
  'intermediate',
  /** What is put in to be separated. */
  'material',
  /** What a material holds: not charged on its own. */
  'component',
] as const

/** What of the vessel goes into a waste container. */
export const discarded = [
  'all that is left',
  'aqueous layer',
  'organic layer',
  'filtrate',
  'mother liquor',
  'washings',
  'distillate',
  'residue',
  'solid',
] as const

export const vesselKinds = ['round-bottom', 'separating funnel', 'conical', 'vial'] as const

/** What an operation of the author's own may measure. */
export const ownMeasures = ['pH', 'boiling range', 'refractive index', 'spots', 'titre', 'made up', 'slot'] as const

/** What an operation of the author's own does to what is in the vessel; where it is not said, nothing is known of it afterwards. */
export const ownEffects = ['stays', 'goes into another vessel', 'only the product is left', 'the vessel was empty'] as const

export type Role = (typeof roles)[number]
