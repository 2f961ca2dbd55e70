import type { OperationKey } from '../../operations/registry'
import { minutesOf } from './figures'
import { degrees, dryingAgents, field, found, times, type Seen } from './seen'
import type { ReadField } from './step'
import { coldWater, iceBath, roomTemperature, saltBath } from './words'

const timeField = (seen: Seen, key: '@holdMin' | '@waitMin' | 'minutes'): ReadField[] =>
  times(seen)
    .slice(0, 1)
    .map((time) => field(key, minutesOf(time), time, time.about && time.low === 960))

export function bandFields(seen: Seen): ReadField[] {
  const [at] = degrees(seen)
  if (!at) return []
  const fields = [field('lowC', at.low, at), field('highC', at.high, at)]
  return at.bound === 'below' ? fields.slice(1) : at.bound === 'above' ? fields.slice(0, 1) : fields
}

function bathOfHeat(seen: Seen): ReadField[] {
  const boiling = found(seen, /boiling[\s-]water bath|steam bath/i)
  const warm = found(seen, /(?:warm[\s-])?water[\s-]bath|waterbath/i)
  const mantle = found(seen, /heating mantle|mantle/i)
  if (boiling) return [field('bath', 'a boiling-water bath', boiling, true)]
  if (warm) return [field('bath', 'a warm-water bath', warm, true)]
  return mantle ? [field('bath', 'a mantle', mantle, true)] : []
}

function coolFields(seen: Seen): ReadField[] {
  const [at] = degrees(seen)
  const room = found(seen, roomTemperature)
  const [salt, ice, cold] = [found(seen, saltBath), found(seen, iceBath), found(seen, coldWater)]
  const bath = salt
    ? [field('bath', 'ice and salt', salt, true)]
    : ice
      ? [field('bath', 'ice and water', ice, true)]
      : cold
        ? [field('bath', 'cold water', cold, true)]
        : []
  return [
    ...bath,
    ...(at ? [field('toC', at.high, at)] : room ? [field('toC', 25, room, true)] : []),
    ...timeField(seen, '@holdMin'),
  ]
}

export function addFields(seen: Seen): ReadField[] {
  const [at] = degrees(seen)
  const over = times(seen).find((time) =>
    /\b(?:over|during|in|within|a period of)\s+(?:a period of\s+)?(?:about\s|ca\.?\s)?$/i.test(
      seen.text.slice(0, time.from - seen.from),
    ),
  )
  return [
    ...(over ? [field('minutes', minutesOf(over), over)] : []),
    ...(at && at.low < at.high ? [field('startC', at.low, at)] : []),
    ...(at ? [field('ceilingC', at.high, at)] : []),
  ]
}

/** Fields of each operation that its clause gives. */
export const fieldsOf: Partial<Record<OperationKey, (seen: Seen) => ReadField[]>> = {
  reflux: (seen) => timeField(seen, '@holdMin'),
  heat: (seen) => [...bandFields(seen), ...bathOfHeat(seen), ...timeField(seen, '@holdMin')],
  hold: (seen) => timeField(seen, '@holdMin'),
  stir: (seen) => timeField(seen, '@holdMin'),
  cool: coolFields,
  add: addFields,
  distil: bandFields,
  dry: (seen) => [
    ...degrees(seen)
      .slice(0, 1)
      .map((at) => field('ovenC', at.high, at)),
    ...timeField(seen, '@waitMin'),
  ],
  evaporate: (seen) =>
    degrees(seen)
      .slice(0, 1)
      .map((at) => field('bathC', at.high, at)),
  'dry-solution': (seen) => {
    const agent = seen.portions.find(({ of }) => of[0] && dryingAgents[of[0].id])
    return [...(agent ? [field('agent', dryingAgents[agent.of[0]!.id]!, agent)] : []), ...timeField(seen, '@waitMin')]
  },
  'set-ph': (seen) => {
    const pH = seen.figures.find(({ kind }) => kind === 'pH')
    if (!pH) return []
    return [
      ...(pH.bound === 'below' ? [] : [field('lowPH', pH.low, pH)]),
      ...(pH.bound === 'above' ? [] : [field('highPH', pH.high, pH)]),
    ]
  },
  melt: (seen) => bandFields(seen),
}
