import { operationIn } from './registry'
import { lineOf, substanceOf, type Plan, type Step } from '../plan/plan'

const measured = {
  head: 'head at the first drop, then volume and head',
  tubes: 'what each tube shows',
  slot: 'slot of the vial',
  nothing: '',
}

/** What a group writes down in a step, in words; empty where it only ticks the step off. */
export function readingsOf(plan: Plan, step: Step): string {
  switch (step.kind) {
    case 'charge':
      return `${step.measure} of ${substanceOf(plan, lineOf(plan, step.line)).name}${step.measure === 'mass' ? ', two readings' : ''}`
    case 'weigh':
      return `mass of the sample ${step.sample}, two readings`
    case 'crystallise':
      return 'volume of hot solvent, every portion'
    case 'dry':
      return `masses of the sample ${step.sample} until two agree`
    case 'melt':
      return `onset and clear point of the sample ${step.sample}`
    case 'reflux':
      return 'heat on, onset of reflux, heat off'
    case 'hold':
      return 'start and end of the clock'
    case 'act':
      return measured[operationIn(step)?.measures ?? 'nothing']
    default:
      return ''
  }
}

/** What may be written besides while a step goes on: what its operation says, and all of it while the author's own work is held. */
export function besidesIn(step: Step): readonly ('temperature' | 'heater')[] {
  const operation = operationIn(step)
  return operation ? (operation.besides ?? []) : step.kind === 'hold' ? ['temperature', 'heater'] : []
}
