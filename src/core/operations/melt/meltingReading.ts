export interface MeltingRange {
  onsetC: number
  clearC: number
}

export interface MeltingReading extends MeltingRange {
  widthC: number
  literature: { lowC: number; highC: number }
  verdict: 'consistent with pure' | 'low and broad' | 'high and broad' | 'broad' | 'sharp but low' | 'sharp but high'
  /** How far the range lies outside the literature's, below or above, °C; 0 inside it. */
  offC: number
}

/** A range this narrow or narrower is sharp, and a clear point this close to the literature is at it; both by the usual teaching rule. */
const allowedC = 2

/**
 * Reads a melting range against the literature: sharp means a range of at most 2 °C, at the literature means that onset and clear
 * lie within 2 °C of its band.
 */
export function meltingReading(range: MeltingRange, literature: { lowC: number; highC: number }): MeltingReading {
  const widthC = range.clearC - range.onsetC
  // Tenths are read from the instrument; a float's last bits must not decide.
  const sharp = widthC <= allowedC + 1e-9
  const low = range.onsetC < literature.lowC - allowedC - 1e-9
  const high = range.clearC > literature.highC + allowedC + 1e-9
  const verdict = high
    ? sharp
      ? 'sharp but high'
      : 'high and broad'
    : low
      ? sharp
        ? 'sharp but low'
        : 'low and broad'
      : sharp
        ? 'consistent with pure'
        : 'broad'
  const offC = Math.max(0, literature.lowC - range.clearC, range.onsetC - literature.highC)
  return { ...range, widthC, offC, literature: { lowC: literature.lowC, highC: literature.highC }, verdict }
}
