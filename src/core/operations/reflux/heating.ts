/** Advice for keeping a liquid at its boil. */
export interface Heating {
  bath: string
  bathC: { low: number; high: number }
  condenser: string
  /** Why this condenser. */
  why: string
}

/** Above this boiling point cold water may crack a condenser; below it air does not condense enough (Vogel, Practical Organic Chemistry, ch. 2). */
const airCondenserFromC = 140

/**
 * Bath and condenser for a liquid that boils at `boilC`: a bath stands 15 to 25 °C above the boil; water serves as a bath up to about 80 °C, an electric mantle or an oil or sand bath above.
 */
export function heatingFor(boilC: number, flammable: boolean): Heating {
  const bathC = { low: boilC + 15, high: boilC + 25 }
  const bath =
    bathC.low <= 95
      ? `warm water of ${Math.round(bathC.low)} to ${Math.round(Math.min(95, bathC.high))} °C${flammable && boilC < 45 ? ', heated elsewhere: no flame and no hot plate near it' : ''}`
      : `mantle on a lab jack, or an oil or sand bath, ${Math.round(bathC.low)} to ${Math.round(bathC.high)} °C`
  return boilC >= airCondenserFromC
    ? { bath, bathC, condenser: 'air condenser', why: `above about ${airCondenserFromC} °C cold water can crack the glass` }
    : {
        bath,
        bathC,
        condenser: 'water condenser, in at the bottom',
        why: `below about ${airCondenserFromC} °C air does not carry the heat away`,
      }
}
