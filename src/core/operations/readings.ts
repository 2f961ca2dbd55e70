import type { Takes } from '../measurements/measurement'
import { operationIn } from './registry'
import { lineOf, substanceOf, type Plan, type Step } from '../plan/plan'

const measured = {
  head: 'head at the first drop, then volume and head',
  tubes: 'what each tube shows',
  slot: 'slot of the vial',
  'boiling range': 'where boiling begins and ends',
  'refractive index': 'index and temperature of the prism',
  pH: 'pH after each portion',
  titre: 'burette before and after, until two agree',
  'made up': 'volume of the flask',
  spots: 'front and spots',
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

const twoMasses = ['full', 'empty', 'tared', 'net']

/** The readings of a step's own, besides what may be written at any time. */
function ownSlots(step: Step): readonly string[] {
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
      return besidesIn(step)
  }
}

const marks: Partial<Record<Step['kind'], readonly string[]>> = {
  reflux: ['heat-on', 'onset', 'heat-off'],
  hold: ['start'],
  crystallise: ['dissolved'],
}

/** What entries a step takes: by its kind, and by what its operation measures. */
export function takesIn(step: Step): Takes {
  const measures = operationIn(step)?.measures
  return {
    slots: [...ownSlots(step), ...(measures ? (slotsOf[measures] ?? []) : [])],
    marks: marks[step.kind] ?? [],
    measures: step.kind === 'melt' ? ['melting range'] : measures ? [measures] : [],
  }
}

/** Readings that an operation takes for what it measures. */
const slotsOf: Readonly<Record<string, readonly string[]>> = {
  pH: ['pH'],
  titre: ['burette before', 'burette after'],
  'made up': ['flask'],
}
