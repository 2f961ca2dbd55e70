import { usual, planner, when } from '../planner'
import { blank } from '../fields'

const fields = [
  blank('lowPH', 'pH from', '', 0, 14, 'a pH that is not said'),
  blank('highPH', 'pH to', '', 0, 14, 'a pH that is not said'),
] as const

/** The pH that is wanted; what was read at the bench is compared with it. */
export const settingPH = planner({
  of: 'set-ph',
  title: 'Setting the pH',
  sentences: (say) => [say`Bring it to a pH from ${'lowPH'} to ${'highPH'}.`],
  fields,
  suggest: (_context, { lowPH }) => ({
    lowPH: usual(6.5, 'neutral'),
    highPH: usual(Math.min(14, (lowPH ?? 6.5) + 1), 'a unit above'),
  }),
  report: ({ step, measured }, { lowPH, highPH }) => {
    const read = measured?.pH?.[step.id]
    return {
      facts: [],
      advice: [
        ...when(highPH < lowPH, 'order', 'doubt', `The pH to reach ends at ${highPH}, below where it begins.`),
        ...when(
          read !== undefined && (read < lowPH || read > highPH),
          'not-there',
          'doubt',
          `The last reading is ${read}: ${read! < lowPH ? 'it needs base' : 'it needs acid'} to come between ${lowPH} and ${highPH}.`,
        ),
      ],
    }
  },
})
