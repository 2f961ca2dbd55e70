import { over } from './due'
import { ofKind, type Measurement, type Net, type Taken } from './measurement'
import { volume } from './volume'
import { numberDue, read, readingIn, readingsIn, volumeOf } from './numbers'

const deviceIn = ({ step }: Taken) => (step.kind === 'crystallise' ? step.device : '')

/** The one volume that was written, or the sum of the portions once the solid has dissolved. */
function net(taken: Taken): Net | null {
  const { standing } = taken
  const whole = volumeOf(readingIn(standing, 'volume'), deviceIn(taken))
  if (whole) return whole
  const each = readingsIn(standing, 'portion')
  const dissolved = ofKind<{ mark: string }>(standing, 'press').some(({ body }) => body.mark === 'dissolved')
  if (each.length === 0 || !dissolved) return null
  const value = each.reduce((sum, { body }) => sum + body.value, 0)
  const decimals = Math.min(...each.map(({ body }) => body.decimals))
  return { dimension: 'volume', figure: read(value, decimals, deviceIn(taken), each.length) }
}

/** Hot solvent of a crystallisation: all of it at once, or portion by portion until the last solid has gone. */
export const hotSolvent: Measurement = {
  written: () => 'volume of hot solvent, every portion',
  numbers: {
    volume: volume.numbers!.volume!,
    portion: { unit: 'mL', label: 'Hot solvent, a portion' },
  },
  marks: ['dissolved'],
  waysOf: 'How the hot solvent is written',
  ways: () => [
    { key: 'whole', words: 'All of it at once' },
    { key: 'portions', words: 'Portion by portion' },
  ],
  due: (taken, way) => {
    const { step, standing } = taken
    if (net(taken)) return over(step.until, 'Crystals are out')
    const count = readingsIn(standing, 'portion').length
    if (count === 0 && way !== 'portions')
      return numberDue(
        'volume',
        { label: 'Hot solvent used, in all', hint: 'Add up every portion, rinses of the funnel too.' },
        'mL',
        deviceIn(taken),
      )
    return {
      ...numberDue(
        'portion',
        { label: `Hot solvent, portion ${count + 1}`, hint: 'Only this portion. Say when the last of the solid has gone.' },
        'mL',
        deviceIn(taken),
      ),
      ...(count > 0 ? { also: [{ label: 'All of it has dissolved', mark: 'dissolved' }] } : {}),
    }
  },
  net,
  question: (_entry, taken) => {
    const found = net(taken)
    return found && found.figure.value <= 0 ? 'No hot solvent at all, by this reading. Is it right?' : null
  },
}
