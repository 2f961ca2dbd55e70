/** Stages in equilibrium above the pot, and liquid returned to liquid taken off. */
export interface Column {
  stages: number
  /** Infinity for total reflux. */
  reflux: number
}

/** What comes over a pot. */
export interface Head {
  /** Mole fractions of the distillate. */
  distillate: number[]
  /** Condensing point of the vapour at the top, °C. */
  headC: number
  potC: number
  /** Mean mole fractions of the liquid on the stages above the pot. */
  onStages: number[]
}
