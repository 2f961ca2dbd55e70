/**
 * Values of log P (octan-1-ol and water) at which a liquid behaves otherwise towards water, as the teaching laboratory sees it. They differ because the questions do.
 */
export const logPLimits = {
  /** From here on it makes a layer of its own beside water: acetone −0.2 and tetrahydrofuran 0.5 mix, ethyl acetate 0.7 and diethyl ether 0.9 do not. */
  layer: 0.6,
  /** Up to here a small molecule is washed out by water: butan-1-ol, the least soluble alcohol that still is, has 0.88. */
  washedOut: 0.9,
  /** From here on so little of it dissolves that it parts from the water it was carried over with: butan-1-ol at 0.88 dissolves to 7 %, ethyl acetate at 0.73 to 8 %. */
  parts: 1,
} as const
