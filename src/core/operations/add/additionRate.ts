export interface AdditionRate {
  mLPerMin: number
  dropsPerS: number
}

/** Drops from a funnel's tip, mL: water 1/20 (pharmacopoeia drop), organic liquids with their third of its surface tension less than half of that. */
export const dropsML = { watery: 0.05, organic: 0.02 } as const

/**
 * How fast to let a volume in over the minutes given.
 * @throws RangeError unless both are positive
 */
export function additionRate(volumeML: number, minutes: number, dropML: number = dropsML.watery): AdditionRate {
  if (!(volumeML > 0 && minutes > 0)) throw new RangeError('An addition has a volume and a time.')
  const mLPerMin = volumeML / minutes
  return { mLPerMin, dropsPerS: mLPerMin / dropML / 60 }
}

/**
 * When to pause: at the ceiling the heat that is still to come from what has been added must not carry the flask over, so the drops stop one step below it and go
 * on once the flask has fallen by twice that.
 */
export function pauseRule(ceilingC: number): { stopAtC: number; goOnBelowC: number } {
  const marginC = 2
  return { stopAtC: ceilingC - marginC, goOnBelowC: ceilingC - 3 * marginC }
}
