/** What may be tried in order when a reaction that must set itself off does not, gentlest first; each has its time before the next. */
export const initiationLadder: readonly { words: string; waitMin: number }[] = [
  { words: 'Wait, with the stirrer off: haze, small bubbles at the solid and warmth are the signs.', waitMin: 5 },
  { words: 'Warm the flask with the hand or a bath of 40 °C, cold bath ready beside it.', waitMin: 5 },
  { words: 'Break a piece of the metal under the surface with a dry glass rod, stirrer off.', waitMin: 5 },
  { words: 'Add one small crystal of iodine; its colour goes when it begins.', waitMin: 10 },
  { words: 'Add a few drops from a neighbour’s flask that has begun.', waitMin: 10 },
  {
    words:
      'Begin again with dry glass, fresh solvent and fresh metal. Never add more reagent to hurry it: all of it begins at once.',
    waitMin: 0,
  },
]

/** A reaction that sets itself off may take from 5 to 45 minutes to do so; the plan allows for it. */
export const initiationMin = { least: 5, most: 45 } as const
