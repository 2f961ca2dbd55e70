import type { Step } from '../plan/plan'
import { capital } from '../words/capital'
import { decimalsOf } from '../quantity/figure'
import type { Due } from './due'
import type { Measurement, Net, NumberTaken, Standing, Taken } from './measurement'
import { numberDue, read, readability, readingIn, readingsIn, type NumberBody, type NumberEntry } from './numbers'
import { aboveAllThereIs, farFromPlan, slip } from './odd'

const containerOf = (step: Step) => ('container' in step ? step.container : 'container')
const deviceOfStep = (step: Step) => ('device' in step ? step.device : '')

/** The slots of a mass: what stood on the balance. */
export const masses: Readonly<Record<'full' | 'empty' | 'tared' | 'net', NumberTaken>> = {
  full: { unit: 'g', label: (step, closure) => `${capital(containerOf(step))} with contents${closure}` },
  empty: { unit: 'g', label: (step, closure) => `${capital(containerOf(step))} empty${closure}` },
  tared: { unit: 'g', label: (step) => `${capital(containerOf(step))} on, tared` },
  net: { unit: 'g', label: 'Shown after taring' },
}

/** The difference of two readings of a balance, each with its uncertainty. */
export function difference(full: NumberEntry, empty: NumberEntry, device: string): Net {
  const decimals = Math.min(full.body.decimals, empty.body.decimals)
  const [a, b] = [full.body.weighing?.closure, empty.body.weighing?.closure]
  return {
    dimension: 'mass',
    figure: read(full.body.value - empty.body.value, decimals, device, 2),
    ...(a && b && a !== b ? { doubt: `The container stood on the balance ${a}, then ${b}: its cap is in the difference.` } : {}),
  }
}

/** The net mass is always the difference of two readings: container with contents minus container, or what was shown after taring. */
function net({ step, standing }: Taken): Net | null {
  const device = deviceOfStep(step)
  const tared = [readingIn(standing, 'tared'), readingIn(standing, 'net')]
  if (tared[0] && tared[1]) return difference(tared[1], tared[0], device)
  const pair = [readingIn(standing, 'full'), readingIn(standing, 'empty')]
  return pair[0] && pair[1] ? difference(pair[0], pair[1], device) : null
}

/** What is wrong with a pair of weighings, whatever they are of; null where nothing is. */
export const swapped = ({ figure }: Net): string | null =>
  figure.value <= 0 ? 'The container weighs no more with its contents than without. Are the two readings swapped?' : null

const words = { tare: 'Tare and add', difference: 'By difference' } as const

const waysIn = (step: Step): readonly (keyof typeof words)[] =>
  step.kind === 'charge' ? (step.weighing ?? ['tare', 'difference']) : ['tare', 'difference']

/** A mass, tared or by difference. */
export const mass: Measurement = {
  written: (of) => `mass of ${of}, two readings`,
  numbers: masses,
  once: Object.keys(masses),
  waysOf: 'Way of weighing',
  ways: (step) => waysIn(step).map((key) => ({ key, words: words[key] })),
  due: ({ step, standing }, way): Due | null => {
    const container = containerOf(step)
    const device = deviceOfStep(step)
    const begun = standing.findLast((entry) => entry.kind === 'reading' && (entry.body as NumberBody).weighing)
    const how = (begun && (begun.body as NumberBody).weighing!.method) ?? way ?? waysIn(step)[0] ?? 'tare'
    const name = capital(container)
    if (how === 'tare') {
      if (!readingIn(standing, 'tared'))
        return {
          kind: 'tare',
          label: `${name} on, tared`,
          hint: 'Balance at zero with the container on the pan.',
          decimals: decimalsOf(readability(device)),
        }
      const said = { label: 'What the balance shows now', hint: `Only what is in the ${container}.` }
      return { ...numberDue('net', said, 'g', device), weighing: 'tare' }
    }
    // What is charged is weighed out of its container, what came out into one.
    const order = step.kind === 'charge' ? (['full', 'empty'] as const) : (['empty', 'full'] as const)
    const first = readingIn(standing, order[0])
    const slot = first ? order[1] : order[0]
    const closure = first?.body.weighing?.closure
    return {
      ...numberDue(
        slot,
        {
          label: `${name}, ${slot === 'full' ? 'with contents' : 'empty'}`,
          hint: closure ? `${capital(closure)}, as before.` : 'Say whether its cap is on.',
        },
        'g',
        device,
      ),
      weighing: 'difference',
      asksClosure: true,
    }
  },
  net,
  isOver: (_taken, found) => found !== null,
  question: (entry: Standing, taken, expected) => {
    if (entry.kind !== 'reading' || !((entry.body as NumberBody).slot in masses)) return null
    const found = net(taken)
    if (!found) return null
    const wrong = swapped(found)
    if (wrong) return wrong
    if (found.doubt && taken.step.kind === 'charge') return `${found.doubt} Weigh it in the same state both times.`
    if (expected.planned) return farFromPlan(found, expected.planned, expected.mayDiffer)
    const dry = taken.step.kind === 'weigh' && taken.step.dry
    return expected.most ? aboveAllThereIs(found, expected.most, dry ? 1 : slip) : null
  },
}

/** The last reading of each weighing of a drying solid against its empty container. */
export const netMasses = (standing: readonly Standing[], empty: NumberEntry) =>
  readingsIn(standing, 'full').map((entry) => ({ massG: entry.body.value - empty.body.value, at: entry.at }))
