/** What groups of a teaching laboratory share, by the names that an operation or a room says it with; an author may name others. */
export const usualStations = [
  'balance',
  'melting-point apparatus',
  'refractometer',
  'rotary evaporator',
  'oven place',
  'hood place',
  'ice',
  'signature',
] as const

export type UsualStation = (typeof usualStations)[number]
