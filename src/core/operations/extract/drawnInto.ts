import type { Step } from '../../plan/plan'

/** The flask that the layer a step shakes with is drawn into where none is named. */
export const drawnInto = (step: Step, watery: boolean): string => `${watery ? 'water' : 'extract'} of “${step.title}”`
