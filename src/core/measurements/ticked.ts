import { over } from './due'
import { nothing, type Measurement } from './measurement'

/** Nothing is read: the group says when it is over. */
export const ticked: Measurement = { written: nothing, due: ({ step }) => over(step.until) }

/** What is read and understood by every one of the group. */
export const understood: Measurement = {
  written: nothing,
  due: () => ({ kind: 'done', label: 'We have read this', hint: 'Every one of the group, before anything is opened.' }),
}

/** Lines that are each looked at and touched. */
export const checked: Measurement = {
  written: nothing,
  due: ({ step }) => ({
    kind: 'done',
    label: 'All of it checked',
    hint: 'Touch each line when you have looked at it.',
    ...(step.kind === 'assemble' ? { checks: step.checks } : {}),
  }),
}
