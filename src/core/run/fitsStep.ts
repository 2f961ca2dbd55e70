import { operationOf } from '../plan/operations'
import type { Step } from '../plan/plan'
import type { Entry, Mark } from './entry'

const units: Readonly<Record<string, string>> = {
  ...{ full: 'g', empty: 'g', tared: 'g', net: 'g' },
  ...{ volume: 'mL', portion: 'mL' },
  ...{ temperature: '°C', heater: '' },
}

const twoMasses = ['full', 'empty', 'tared', 'net']

/** The slots of readings that a step takes. */
function slotsOf(step: Step): string[] {
  const operation = operationOf(step)
  const besides =
    step.kind === 'reflux' || step.kind === 'hold'
      ? ['temperature', 'heater']
      : operation === 'distil'
        ? ['heater']
        : operation === 'add' || operation === 'quench' || operation === 'cool'
          ? ['temperature']
          : []
  switch (step.kind) {
    case 'charge':
      return [...(step.measure === 'volume' ? ['volume'] : twoMasses), ...besides]
    case 'weigh':
      return twoMasses
    case 'dry':
      return ['empty', 'full']
    case 'crystallise':
      return ['volume', 'portion']
    default:
      return besides
  }
}

const marks: Partial<Record<Step['kind'], readonly Mark[]>> = {
  reflux: ['heat-on', 'onset', 'heat-off'],
  hold: ['start'],
  crystallise: ['dissolved'],
}

/** Why an entry cannot belong to a step, in words; null where it can. What is odd but possible is not refused here: it is asked about. */
export function problemWith(entry: Entry, step: Step): string | null {
  const operation = operationOf(step)
  const no = (what: string) => `“${step.title}” takes no ${what}.`
  switch (entry.kind) {
    case 'reading': {
      const { slot, unit } = entry.body
      if (!slotsOf(step).includes(slot)) return no(`reading “${slot}”`)
      return unit === units[slot] ? null : `The reading “${slot}” is in ${units[slot] || 'no unit'}, not in ${unit || 'no unit'}.`
    }
    case 'melting':
      return step.kind === 'melt' ? null : no('melting range')
    case 'head':
    case 'window':
      return operation === 'distil' ? null : no(entry.kind === 'head' ? 'reading of a still head' : 'window of a fraction')
    case 'press':
      return marks[step.kind]?.includes(entry.body.mark) ? null : no(`mark “${entry.body.mark}”`)
    case 'tube':
      return operation === 'test' ? null : no('sign of a tube')
    case 'note':
      return operation === 'send' ? null : no('slot of a vial')
    case 'done':
    case 'strike':
    case 'signature':
      return null
  }
}
