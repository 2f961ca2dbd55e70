import { operationIn } from '../operations/registry'
import { besidesIn } from '../operations/readings'
import type { Step } from '../plan/plan'
import type { Entry, Mark } from './entry'

const units: Readonly<Record<string, string>> = {
  ...{ full: 'g', empty: 'g', tared: 'g', net: 'g' },
  ...{ volume: 'mL', portion: 'mL' },
  ...{ temperature: '°C', heater: '' },
}

const twoMasses = ['full', 'empty', 'tared', 'net']

/** The slots of readings that a step takes. */
function slotsOf(step: Step): readonly string[] {
  const besides = besidesIn(step)
  switch (step.kind) {
    case 'charge':
      return step.measure === 'volume' ? ['volume'] : twoMasses
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
  const measures = operationIn(step)?.measures
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
      return measures === 'head' ? null : no(entry.kind === 'head' ? 'reading of a still head' : 'window of a fraction')
    case 'press':
      return marks[step.kind]?.includes(entry.body.mark) ? null : no(`mark “${entry.body.mark}”`)
    case 'tube':
      return measures === 'tubes' ? null : no('sign of a tube')
    case 'note':
      return measures === 'slot' ? null : no('slot of a vial')
    case 'done':
    case 'strike':
    case 'signature':
      return null
  }
}
