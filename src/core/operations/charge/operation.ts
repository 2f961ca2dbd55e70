import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { nextToCharge, times } from '../made'

export const charge: Operation = {
  name: 'charge',
  past: { of: 'lines', did: 'added' },
  says: [
    'Measure {@portion} of {@line} by {@measure} with {@device}, from {@container}.',
    'The bench is asked when it is off the plan by more than {@mayDiffer}.',
  ],
  danger: '',
  make: (base, plan) => {
    const line = nextToCharge(plan)
    const measure = line.form.kind === 'solid' ? 'mass' : 'volume'
    return {
      ...base,
      kind: 'charge',
      line: line.id,
      measure,
      ...(measure === 'mass' ? { weighing: ['tare', 'difference'] } : {}),
      container: measure === 'mass' ? 'weighing paper' : 'measuring cylinder',
      device: line.device ?? (measure === 'mass' ? 'balance-0.01' : 'cylinder-10'),
      text: asWords(`Measure {${line.id}}.`),
      ...times(8),
    }
  },
  measures: (step) => (step.kind === 'charge' && step.measure === 'volume' ? 'volume' : 'mass'),
  station: (step) => (step.kind === 'charge' && step.measure === 'mass' ? 'balance' : undefined),
}
