/** Kelvins to the kelvin of column that stands out, for what fills the thermometer: mercury and spirit in glass (ASTM E77; the usual teaching values). */
export const stemFactor = { mercury: 0.00016, spirit: 0.001, 'no column': 0 } as const
export type Filling = keyof typeof stemFactor

export interface Thermometer {
  filling: Filling
  /** Degrees of the scale between the surface and the top of the column. */
  stemK: number
  /** What the pocket or the draught keeps the bulb below the vapour, K. */
  lagK: number
  /** Around the stem, °C. */
  roomC: number
}

/** The vapour's temperature from what is read: the stem adds k·n·(T − t), the pocket its lag. */
export function corrected(readC: number, { filling, stemK, lagK, roomC }: Thermometer): number {
  return readC + stemFactor[filling] * stemK * (readC - roomC) + lagK
}

/** What the thermometer will show for a vapour of a temperature: the same the other way round. */
export function expectedReading(vapourC: number, { filling, stemK, lagK, roomC }: Thermometer): number {
  const share = stemFactor[filling] * stemK
  return (vapourC - lagK + share * roomC) / (1 + share)
}
