import type { Plan, Step } from './plan'
import type { StepFact } from './stepFacts'

/** An operation as it is offered when a step is added. */
export interface Operation {
  /** What a person types to get it, and what stands in the list. */
  name: string
  /** The danger that goes with it wherever it is done; empty where there is none of its own. */
  danger: string
  make: (base: { id: string; title: string }, plan: Plan) => Step
}

const times = (handsOnMin: number, waitMin = 0) => ({ handsOnMin, waitMin })

/** A step that is done and ticked off: `verb` is what its button says. */
const act =
  (
    verb: string,
    text: string,
    handsOnMin: number,
    more: { until?: string; waitMin?: number; says?: StepFact[] } = {},
  ): Operation['make'] =>
  (base) => ({
    ...base,
    kind: 'act',
    verb,
    text,
    ...times(handsOnMin, more.waitMin),
    ...(more.until ? { until: more.until } : {}),
    ...(more.says ? { says: more.says } : {}),
  })

const firstLine = (plan: Plan) => plan.lines.find(({ role }) => role !== 'product' && role !== 'by-product') ?? plan.lines[0]!
const lastSample = (plan: Plan) =>
  plan.steps.reduce<string | undefined>((last, step) => {
    if (step.kind === 'weigh' || step.kind === 'dry') return step.sample
    return step.kind === 'crystallise' ? step.to : last
  }, undefined) ?? 'product'

/** The operations of a teaching laboratory, in the order in which a preparation usually needs them. */
export const operations = {
  safety: {
    name: 'read the safety sheet',
    danger: '',
    make: (base) => ({
      ...base,
      kind: 'safety',
      text: 'Read what can hurt you today, all of the group, before anything is opened.',
      ...times(5),
    }),
  },
  assemble: {
    name: 'assemble',
    danger: 'A closed system bursts: it stays open at one place, always.',
    make: (base) => ({
      ...base,
      kind: 'assemble',
      text: '',
      checks: ['Flask clamped at the neck', 'Open to the air at one place'],
      says: ['open-to-air'],
      ...times(10),
    }),
  },
  charge: {
    name: 'charge',
    danger: '',
    make: (base, plan) => {
      const line = firstLine(plan)
      const measure = line.form.kind === 'solid' ? 'mass' : 'volume'
      return {
        ...base,
        kind: 'charge',
        line: line.id,
        measure,
        ...(measure === 'mass' ? { weighing: ['tare', 'difference'] } : {}),
        container: measure === 'mass' ? 'weighing paper' : 'measuring cylinder',
        device: line.device ?? (measure === 'mass' ? 'balance-0.01' : 'cylinder-10'),
        text: `Measure {${line.id}}.`,
        ...times(8),
      }
    },
  },
  reflux: {
    name: 'heat under reflux',
    danger: 'Boiling chips go into the cold liquid, never into the hot. Water runs before heat is on.',
    make: (base) => ({
      ...base,
      kind: 'reflux',
      holdMin: 30,
      text: 'Heat until the first drops fall back steadily, then hold.',
      until: 'from the onset of reflux',
      ...times(8, 30),
    }),
  },
  heat: {
    name: 'heat and hold',
    danger: 'A closed flask that is heated bursts: it stays open, or has a condenser on.',
    make: (base) => ({
      ...base,
      kind: 'hold',
      verb: 'Heat',
      holdMin: 30,
      text: 'Hold in a warm-water bath at 50 to 60 °C.',
      ...times(4, 30),
    }),
  },
  hold: {
    name: 'hold',
    danger: '',
    make: (base) => ({ ...base, kind: 'hold', verb: 'Wait', holdMin: 15, text: 'Leave it for the time given.', ...times(1, 15) }),
  },
  add: { name: 'add', danger: 'Too fast an addition runs away: watch the temperature.', make: act('Add', 'Add in portions.', 8) },
  cool: {
    name: 'cool',
    danger: '',
    make: (base) => ({ ...base, kind: 'hold', verb: 'Cool', holdMin: 10, text: 'Stand the flask in ice.', ...times(2, 10) }),
  },
  pour: { name: 'pour over', danger: '', make: act('Pour', 'Pour into the other vessel.', 4) },
  quench: {
    name: 'quench',
    danger: 'Acid into water, never the reverse; slowly, cold, and watch the gas.',
    make: act('Quench', 'Pour slowly, in portions, with stirring and cooling.', 8, { until: 'when no more gas comes' }),
  },
  extract: {
    name: 'extract',
    danger: 'Pressure builds up in the funnel: vent it often, pointed away from people.',
    make: act('Extract', 'Shake, vent, let the layers part. Keep both layers, in named flasks.', 10, {
      says: ['vented'],
      until: 'when the layers have parted',
    }),
  },
  wash: {
    name: 'wash',
    danger: 'A wash with bicarbonate gives gas: swirl open first, then shake and vent.',
    make: act('Wash', 'Wash the layer with the product. Discard no layer before the product is weighed.', 8, {
      until: 'when the layers have parted',
    }),
  },
  'dry-solution': {
    name: 'dry the solution',
    danger: '',
    make: act('Dry', 'Add drying agent in portions and swirl.', 4, {
      waitMin: 10,
      until: 'when some of it moves freely and the liquid is clear',
    }),
  },
  filter: {
    name: 'filter',
    danger: 'A flask with a crack breaks under suction: look at it first.',
    make: act('Filter', 'Filter by suction and rinse with a little cold solvent.', 10, {
      until: 'when no more drops fall and the paper looks dry',
    }),
  },
  evaporate: {
    name: 'evaporate',
    danger: 'Never to dryness where peroxides may be; no flame near vapour.',
    make: act('Evaporate', 'Take off the solvent from a tared flask; keep the solvent.', 10, {
      waitMin: 10,
      until: 'when the mass no longer falls',
    }),
  },
  distil: {
    name: 'distil',
    danger: 'Chips before heat, open at the receiver, and never to dryness.',
    make: act('Distil', 'Distil at one or two drops a second into tared receivers; note first and last drop.', 25, {
      waitMin: 10,
      until: 'when the temperature leaves its window, and before the flask is dry',
      says: ['stops-before-dry'],
    }),
  },
  crystallise: {
    name: 'crystallise',
    danger: 'Hot solvent burns, and most of it catches fire: no flame.',
    make: (base, plan) => ({
      ...base,
      kind: 'crystallise',
      from: 'crude',
      to: 'purified',
      solvent: (plan.lines.findLast(({ role }) => role === 'solvent') ?? firstLine(plan)).id,
      device: 'cylinder-100',
      text: 'Add hot solvent in portions until the solid just dissolves. Leave to cool undisturbed, then in ice.',
      until: 'when it is cold and full of crystals',
      says: ['cooled-by-itself'],
      ...times(15, 25),
    }),
  },
  dry: {
    name: 'dry the solid',
    danger: '',
    make: (base, plan) => ({
      ...base,
      kind: 'dry',
      sample: lastSample(plan),
      container: 'watch glass',
      device: 'balance-0.01',
      agreement: 0.005,
      text: 'Dry below the melting point; cool and weigh until two weighings agree.',
      until: 'when two weighings agree',
      ...times(8, 25),
    }),
  },
  weigh: {
    name: 'weigh',
    danger: '',
    make: (base) => ({
      ...base,
      kind: 'weigh',
      sample: 'crude',
      container: 'watch glass',
      device: 'balance-0.01',
      dry: false,
      text: 'Weigh all of it.',
      ...times(5),
    }),
  },
  melt: {
    name: 'melt',
    danger: 'The block is hot enough to burn.',
    make: (base, plan) => ({
      ...base,
      kind: 'melt',
      sample: lastSample(plan),
      device: 'melting-0.1',
      text: 'Pack 2–3 mm in a capillary. Heat fast to 20 °C below, then 1–2 °C a minute.',
      says: ['heated-slowly'],
      ...times(15),
    }),
  },
  test: {
    name: 'test',
    danger: '',
    make: act('Test', 'Run the test beside a positive control and a blank.', 10),
  },
  send: {
    name: 'send a sample',
    danger: '',
    make: act('Send', 'Label a vial with group, sample and date, and note its slot.', 5, { says: ['slot-noted'] }),
  },
  pause: {
    name: 'pause',
    danger: '',
    make: (base) => ({
      ...base,
      kind: 'pause',
      text: 'A safe place to stop.',
      meanwhile: 'Closed and labelled with group, content and date, where the stores say.',
      endsDay: true,
      ...times(3),
    }),
  },
  dispose: {
    name: 'dispose',
    danger: 'Acids, oxidisers and solvents never meet in one waste container.',
    make: act('Put away', 'Each waste into its own container; wipe the balance.', 8),
  },
  store: { name: 'store', danger: '', make: act('Store', 'Label with name, group, date and mass, and put it away.', 4) },
} as const satisfies Record<string, Operation>

export type OperationKey = keyof typeof operations

/** A fresh step of an operation, as it stands before anything is typed. */
export function makeStep(key: OperationKey, base: { id: string; title: string }, plan: Plan): Step {
  const made = (operations[key] as Operation).make(base, plan)
  return made.kind === 'act' || made.kind === 'hold' ? { ...made, operation: key } : made
}

const keys = Object.keys(operations) as OperationKey[]

/** The operations whose name begins with what was typed, then those that have a word that does; all of them for nothing typed. */
export function operationsLike(text: string): OperationKey[] {
  const wanted = text.trim().toLowerCase()
  const first = keys.filter((key) => operations[key].name.startsWith(wanted))
  const later = keys.filter(
    (key) => !first.includes(key) && operations[key].name.split(' ').some((word) => word.startsWith(wanted)),
  )
  return [...first, ...later]
}

/** The operation that a step is; undefined where it is work of the author's own. */
export function operationOf(step: Step): OperationKey | undefined {
  return step.kind === 'act' || step.kind === 'hold' ? step.operation : step.kind
}
