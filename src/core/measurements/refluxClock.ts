import { writeMinutes } from '../plan/duration'
import type { Measurement } from './measurement'
import { markedAt } from './press'

/**
 * The three presses of a reflux. Its time counts from the onset (first steady drops from the condenser), never from heat-on; before the onset its clock shows how long the heat has
 * been on.
 */
export const refluxClock: Measurement = {
  written: () => 'heat on, onset of reflux, heat off',
  marks: ['heat-on', 'onset', 'heat-off'],
  due: (taken) => {
    const minutes = writeMinutes(taken.step.kind === 'reflux' ? taken.step.holdMin : 0)
    if (!markedAt(taken, 'heat-on'))
      return { kind: 'press', mark: 'heat-on', label: 'Heat is on', hint: 'Water running, chips in, top open.' }
    if (!markedAt(taken, 'onset'))
      return {
        kind: 'press',
        mark: 'onset',
        label: 'Reflux has begun',
        hint: `First steady drops from the condenser. The ${minutes} count from here.`,
      }
    return {
      kind: 'press',
      mark: 'heat-off',
      ends: true,
      label: 'Heat is off',
      hint: `After ${minutes} under reflux. Lower the heat away, leave the water running.`,
    }
  },
  isOver: (taken) => markedAt(taken, 'heat-off') !== null,
  clock: (taken) => {
    const [heat, onset] = [markedAt(taken, 'heat-on'), markedAt(taken, 'onset')]
    if (onset && taken.step.kind === 'reflux') return { label: 'left under reflux', from: onset, minutes: taken.step.holdMin }
    return heat ? { label: 'heat on, no reflux yet', from: heat, minutes: null } : null
  },
}
