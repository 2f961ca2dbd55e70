import { capital } from '../words/capital'
import { writeMinutes } from '../plan/duration'
import { deviceOf } from '../quantity/device'
import { decimalsOf } from '../quantity/figure'
import { besidesIn } from '../operations/readings'
import type { Operation } from '../operations/operation'
import { operationIn } from '../operations/registry'
import type { WeighingMethod } from '../plan/lists'
import { markedAt } from './clocks'
import type { Slot } from '../measurements/reading'
import type { Mark } from './entry'
import type { StepState } from './stepState'
import { readingIn, readingsIn } from './net'

/** The one thing to enter now. */
export type Due =
  | {
      kind: 'reading'
      slot: Slot
      label: string
      hint: string
      unit: 'g' | 'mL' | '°C' | ''
      decimals: number
      weighing?: WeighingMethod
      asksClosure?: boolean
      /** The step is over when the group says so: what the button that says it is called. */
      ends?: string
    }
  | { kind: 'tare'; label: string; hint: string; decimals: number }
  | { kind: 'melting'; label: string; hint: string; decimals: number }
  | { kind: 'boiling'; label: string; hint: string; decimals: number }
  | { kind: 'refraction'; label: string; hint: string }
  | { kind: 'spots'; label: string; hint: string }
  | { kind: 'head'; first: boolean; label: string; hint: string }
  | { kind: 'press'; mark: Mark; label: string; hint: string }
  | { kind: 'done'; label: string; hint: string; checks?: string[] }
  | { kind: 'note'; slot: string; label: string; hint: string }
  | { kind: 'tubes'; label: string; hint: string }

/** The ways in which this step's mass may be taken, the recommended one first; empty where no mass is taken. */
export function weighingChoices({ step }: StepState): WeighingMethod[] {
  if (step.kind === 'charge') return step.measure === 'mass' ? (step.weighing ?? ['tare', 'difference']) : []
  return step.kind === 'weigh' ? ['tare', 'difference'] : []
}

/**
 * What is due in a step, given its standing entries and the way of weighing chosen; null when nothing more is. `portioned`: hot solvent is
 * written portion by portion, which is so anyway once one stands.
 */
export function dueIn(state: StepState, method?: WeighingMethod, portioned = false): Due | null {
  const { step, standing } = state
  if (state.status === 'done') return null
  switch (step.kind) {
    case 'safety':
      return { kind: 'done', label: 'We have read this', hint: 'Every one of the group, before anything is opened.' }
    case 'assemble':
      return {
        kind: 'done',
        label: 'All of it checked',
        hint: 'Touch each line when you have looked at it.',
        checks: step.checks,
      }
    case 'act':
      return dueByOperation(state)
    case 'pause':
      return { kind: 'done', label: 'Done', hint: step.until ? `It is over ${step.until}.` : '' }
    case 'hold':
      return markedAt(state, 'start')
        ? { kind: 'done', label: 'It is over', hint: step.until ? `It is over ${step.until}.` : '' }
        : { kind: 'press', mark: 'start', label: 'Start the clock', hint: writeMinutes(step.holdMin) }
    case 'reflux':
      return dueUnderReflux(state, step.holdMin)
    case 'charge':
      if (step.measure === 'volume')
        return reading(
          'volume',
          `Volume of ${step.container}`,
          `Read the bottom of the meniscus, one digit below the graduation.`,
          'mL',
          step.device,
        )
      return weighing(state, method, step.container, step.device, ['full', 'empty'])
    case 'weigh':
      return weighing(state, method, step.container, step.device, ['empty', 'full'])
    case 'crystallise': {
      if (state.net) return { kind: 'done', label: 'Crystals are out', hint: step.until ? `It is over ${step.until}.` : '' }
      const count = readingsIn(standing, 'portion').length
      return count > 0 || portioned
        ? reading(
            'portion',
            `Hot solvent, portion ${count + 1}`,
            'Only this portion. Say when the last of the solid has gone.',
            'mL',
            step.device,
          )
        : reading('volume', 'Hot solvent used, in all', 'Add up every portion, rinses of the funnel too.', 'mL', step.device)
    }
    case 'dry': {
      if (!readingIn(standing, 'empty'))
        return reading('empty', `${capital(step.container)}, empty`, 'Before the solid goes on it.', 'g', step.device)
      const count = state.net?.series?.length ?? 0
      return reading(
        'full',
        `${capital(step.container)} with solid, weighing ${count + 1}`,
        count === 0 ? '' : 'Ten more minutes of drying, cool, then weigh again.',
        'g',
        step.device,
      )
    }
    case 'melt':
      return {
        kind: 'melting',
        label: 'Melting range',
        hint: 'Onset: first liquid. Clear: last solid gone.',
        decimals: decimals(step.device),
      }
  }
}

/** What is due in work that is ticked off, and before: its operation says what is read. */
function dueByOperation(state: StepState): Due {
  const { step } = state
  const measures = operationIn(step)?.measures
  const due = measures && dueFor[measures](state)
  return due ?? { kind: 'done', label: 'Done', hint: step.until ? `It is over ${step.until}.` : '' }
}

type Measures = NonNullable<Operation['measures']>

/** What is due for what an operation measures; null once it is written and the step only has to be ended. */
const dueFor: Readonly<Record<Measures, (state: StepState) => Due | null>> = {
  slot: ({ standing }) =>
    standing.some(({ kind }) => kind === 'note')
      ? null
      : {
          kind: 'note',
          slot: 'sample slot',
          label: 'Slot of our vial',
          hint: 'As it stands on the tray, for example A3. Results come back by it.',
        },
  tubes: () => ({
    kind: 'tubes',
    label: 'The tubes',
    hint: 'Start all of them together. Write for each when its sign is seen, or that none came.',
  }),
  head: ({ standing }) => {
    const count = standing.filter(({ kind }) => kind === 'head').length
    return count === 0
      ? {
          kind: 'head',
          first: true,
          label: 'First drop',
          hint: 'What the head shows as the first drop falls into this receiver.',
        }
      : {
          kind: 'head',
          first: false,
          label: `Head, reading ${count + 1}`,
          hint: 'Volume in this receiver and what the head shows: every few mL, and whenever it jumps.',
        }
  },
  'boiling range': ({ standing }) =>
    standing.some(({ kind }) => kind === 'boiling')
      ? null
      : {
          kind: 'boiling',
          label: 'Boiling range',
          hint: 'Where it begins to boil, and where the last of it boils.',
          decimals: 1,
        },
  'refractive index': ({ standing }) =>
    standing.some(({ kind }) => kind === 'refraction')
      ? null
      : {
          kind: 'refraction',
          label: 'Refractive index',
          hint: 'The index to four places, and what the prism’s thermometer shows.',
        },
  spots: ({ standing }) =>
    standing.some(({ kind }) => kind === 'spots')
      ? null
      : { kind: 'spots', label: 'The plate', hint: 'How far the front went from the start, and how far each spot, in mm.' },
  pH: ({ step, standing }) => ({
    kind: 'reading',
    slot: 'pH',
    label: `pH, reading ${readingsIn(standing, 'pH').length + 1}`,
    hint: step.until ? `Until ${step.until}.` : 'After each portion, when it no longer changes.',
    unit: '',
    decimals: 1,
    ...(readingsIn(standing, 'pH').length > 0 ? { ends: 'It is set' } : {}),
  }),
  titre: ({ standing }) => {
    const [before, after] = [readingsIn(standing, 'burette before').length, readingsIn(standing, 'burette after').length]
    const first = before === after
    return {
      kind: 'reading',
      slot: first ? 'burette before' : 'burette after',
      label: `Burette ${first ? 'before' : 'after'}, titration ${after + 1}`,
      hint: 'Bottom of the meniscus, to half a graduation.',
      unit: 'mL',
      decimals: 2,
      ...(first && after > 0 ? { ends: 'No further titration' } : {}),
    }
  },
  'made up': ({ standing }) =>
    readingIn(standing, 'flask')
      ? null
      : {
          kind: 'reading',
          slot: 'flask',
          label: 'Volume of the flask',
          hint: 'As it is printed on it, when it is filled to the mark.',
          unit: 'mL',
          decimals: 0,
        },
}

/** The three presses of a reflux: its clock counts from the onset. */
function dueUnderReflux(state: StepState, holdMin: number): Due {
  if (!markedAt(state, 'heat-on'))
    return { kind: 'press', mark: 'heat-on', label: 'Heat is on', hint: 'Water running, chips in, top open.' }
  if (!markedAt(state, 'onset')) {
    return {
      kind: 'press',
      mark: 'onset',
      label: 'Reflux has begun',
      hint: `First steady drops from the condenser. The ${writeMinutes(holdMin)} count from here.`,
    }
  }
  return {
    kind: 'press',
    mark: 'heat-off',
    label: 'Heat is off',
    hint: `After ${writeMinutes(holdMin)} under reflux. Lower the heat away, leave the water running.`,
  }
}

function weighing(
  state: StepState,
  method: WeighingMethod | undefined,
  container: string,
  device: string,
  order: ['full' | 'empty', 'full' | 'empty'],
): Due {
  const { standing } = state
  const begun = standing.findLast((entry) => entry.kind === 'reading')
  const how =
    (begun?.kind === 'reading' ? begun.body.weighing?.method : undefined) ?? method ?? weighingChoices(state)[0] ?? 'tare'
  const name = capital(container)
  if (how === 'tare') {
    if (!readingIn(standing, 'tared'))
      return {
        kind: 'tare',
        label: `${name} on, tared`,
        hint: 'Balance at zero with the container on the pan.',
        decimals: decimals(device),
      }
    return { ...reading('net', 'What the balance shows now', `Only what is in the ${container}.`, 'g', device), weighing: 'tare' }
  }
  const first = readingIn(standing, order[0])
  const slot = first ? order[1] : order[0]
  const closure = first?.body.weighing?.closure
  return {
    ...reading(
      slot,
      `${name}, ${slot === 'full' ? 'with contents' : 'empty'}`,
      closure ? `${capital(closure)}, as before.` : 'Say whether its cap is on.',
      'g',
      device,
    ),
    weighing: 'difference',
    asksClosure: true,
  }
}

/** What may be written besides, at any moment while something is heated, cooled, held, added or distilled; empty where nothing is. */
export function besidesDue({ step, standing }: StepState): (Due & { kind: 'reading' })[] {
  const besides = besidesIn(step)
  const held = step.kind === 'reflux' || step.kind === 'hold'
  if (held && !(markedAt({ standing }, 'heat-on') ?? markedAt({ standing }, 'start'))) return []
  const heater: Due & { kind: 'reading' } = {
    kind: 'reading',
    slot: 'heater',
    label: 'Setting of the heater',
    hint: 'The number on its dial or display.',
    unit: '',
    decimals: 0,
  }
  const temperature: Due & { kind: 'reading' } = {
    kind: 'reading',
    slot: 'temperature',
    label: `Temperature, reading ${readingsIn(standing, 'temperature').length + 1}`,
    hint: 'In the liquid, or of the bath where nothing reaches in.',
    unit: '°C',
    decimals: 0,
  }
  return [temperature, heater].filter(({ slot }) => besides.some((each) => each === slot))
}

function reading(slot: Slot, label: string, hint: string, unit: 'g' | 'mL', device: string): Due & { kind: 'reading' } {
  return { kind: 'reading', slot, label, hint, unit, decimals: decimals(device) }
}

function decimals(device: string): number {
  return decimalsOf(deviceOf(device)?.readability ?? 0.01)
}
