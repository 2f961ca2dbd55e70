/** Moments that are pressed, each as it is called. */
export const marks = {
  'heat-on': 'Heat on',
  onset: 'Onset of reflux',
  'heat-off': 'Heat off',
  start: 'Clock started',
  /** The last of the solid has gone, so no further portion of hot solvent comes. */
  dissolved: 'All of it dissolved',
} as const

export type Mark = keyof typeof marks
