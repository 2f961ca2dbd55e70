import { labelOf, valueOf } from '@/core/measurements/registry'
import type { Entry } from '@/core/run/entry'
import type { StepState } from '@/core/run/stepState'

/** What an entry is called in its step: `Vial with contents, with cap`. */
export const entryLabel = ({ step }: Pick<StepState, 'step'>, entry: Entry): string => labelOf(entry, step)

/** What an entry says, in print; empty for those that only mark a moment. */
export const entryValue = (entry: Entry): string => valueOf(entry)
