/** Solvents that a teaching laboratory crystallises from, by the ids of their records: from polar to unpolar, none of them worse to breathe or to burn than its neighbours. */
export const usualSolvents: readonly string[] = [
  'water',
  'acetic-acid',
  'methanol',
  'ethanol',
  'propan-2-ol',
  'acetone',
  'ethyl-acetate',
  'toluene',
  'cyclohexane',
  'heptane',
  'hexane',
]
