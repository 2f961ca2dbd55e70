/** Every limit that a reading is held against, each with its reason. They are rules of teaching laboratories, not laws of nature. */
export const thresholds = {
  /** A yield this far, in parts of the whole, below what is expected counts as little: two readings of a balance and a rounded percentage are no more than that. */
  littleBelow: 0.02,
  /** A yield so far above what is expected, or above what the equilibrium allows, counts as more than expected: solvent, water or salt, before it is skill. */
  moreAbove: 0.05,
  /** Above theory by no more than its own uncertainty is theory: this many standard uncertainties. */
  coverage: 2,
  /** A melting range this narrow or narrower is sharp, °C: what careful heating at 1 to 2 °C a minute gives for a pure solid. */
  sharpC: 2,
  /** Onset and clear point this near the literature lie at it, °C: uncalibrated instruments of a class agree so. */
  nearC: 2,
  /** A sharp range this far or farther from the literature is not an instrument any more, °C: those of a class are off by less than ten. */
  otherSubstanceC: 15,
  /** From so many benches on a shift of the whole class says something of the instrument. */
  benches: 2,
  /** A liquor that holds more than this part of the whole is worth boiling down. */
  liquor: 0.1,
  /** A loss smaller than this part of the whole is not worth naming as the largest. */
  worthNaming: 0.02,
} as const
