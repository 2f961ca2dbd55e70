import { capital } from '../words/capital'
import { lastTwoAgree } from './agreement'
import type { Also } from './due'
import { difference, masses, netMasses, swapped } from './mass'
import type { Measurement, Net, Taken } from './measurement'
import { numberDue, readability, readingIn, readingsIn, type NumberBody } from './numbers'
import { aboveAllThereIs } from './odd'

const stop: Also = {
  label: 'Stop drying here',
  warns: {
    words: 'Two weighings do not agree yet. The yield will be marked wet.',
    keep: 'Stop, and mark it wet',
    back: 'Go on drying',
  },
}

/** The last weighing, and whether it differs from the one before by no more than the step's agreement or twice the readability. */
function net({ step, standing }: Taken): Net | null {
  if (step.kind !== 'dry') return null
  const empty = readingIn(standing, 'empty')
  const last = readingsIn(standing, 'full').at(-1)
  if (!empty || !last) return null
  const series = netMasses(standing, empty)
  const inG = series.map(({ massG }) => massG)
  return {
    ...difference(last, empty, step.device),
    series,
    agreed: lastTwoAgree(inG, step.agreement, readability(step.device)),
  }
}

/** The mass of a solid that is dried until two weighings agree. */
export const constantMass: Measurement = {
  written: (of) => `masses of ${of} until two agree`,
  numbers: { empty: masses.empty, full: masses.full },
  once: ['empty'],
  due: (taken) => {
    const { step, standing } = taken
    if (step.kind !== 'dry') return null
    const name = capital(step.container)
    if (!readingIn(standing, 'empty'))
      return numberDue('empty', { label: `${name}, empty`, hint: 'Before the solid goes on it.' }, 'g', step.device)
    const count = readingsIn(standing, 'full').length
    return {
      ...numberDue(
        'full',
        {
          label: `${name} with solid, weighing ${count + 1}`,
          hint: count === 0 ? '' : 'Ten more minutes of drying, cool, then weigh again.',
        },
        'g',
        step.device,
      ),
      ...(count > 0 ? { also: [stop] } : {}),
    }
  },
  net,
  isOver: (_taken, found) => found?.agreed === true,
  question: (entry, taken, { most }) => {
    if (entry.kind !== 'reading' || !((entry.body as NumberBody).slot in masses)) return null
    const found = net(taken)
    if (!found) return null
    return swapped(found) ?? (most ? aboveAllThereIs(found, most, 1) : null)
  },
}
