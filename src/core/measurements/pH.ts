import { printedIn } from '../words/words'
import type { Measurement } from './measurement'
import { readingsIn } from './numbers'

/** The pH after each portion, until it is where it should be. */
export const pH: Measurement = {
  written: () => 'pH after each portion',
  numbers: { pH: { unit: '', most: 14, label: 'pH' } },
  due: ({ step, standing }) => {
    const count = readingsIn(standing, 'pH').length
    return {
      kind: 'reading',
      slot: 'pH',
      label: `pH, reading ${count + 1}`,
      hint: printedIn(step.until, (text) => `Until ${text}.`) || 'After each portion, when it no longer changes.',
      unit: '',
      decimals: 1,
      ...(count > 0 ? { also: [{ label: 'It is set' }] } : {}),
    }
  },
}
