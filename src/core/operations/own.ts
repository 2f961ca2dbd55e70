import { usuallyDiffers } from '../measurements/odd'
import { lineName } from '../plan/lineName'
import { isCharged, lineOf, type Plan, type Step, type Vessel } from '../plan/plan'
import { deviceOf, devices } from '../quantity/device'
import type { ChoiceField, NumberField, TextField } from './fields'
import { fillRule, vesselSizes } from './vessel/vessel'

/** A blank that is a field of the step itself and not of its planner, as a sentence of an operation may hold one: `@` and its name. */
export type OwnKey = `@${keyof typeof own}`

/** Such a blank as it stands. */
export interface OwnBlank {
  field: NumberField | ChoiceField | TextField
  value: string | number
  /** What of the step changes with another value. */
  part: (value: string | number) => Record<string, unknown>
  /** True where nobody has said it, and the value only follows. */
  follows?: boolean
  /** Why a value cannot stand here, besides its bounds; undefined where it can. */
  problem?: (value: string | number) => string | undefined
}

type Made = (step: Step, plan: Plan) => OwnBlank | undefined

const number = (label: string, unit: string, least: number, most: number): NumberField => ({
  key: label,
  label,
  kind: 'number',
  unit,
  least,
  most,
})
const choice = (label: string, ways: readonly (readonly [string, string])[]): ChoiceField => ({
  key: label,
  label,
  kind: 'choice',
  ways: ways.map(([value, words]) => ({ value, words })),
})
const words = (label: string): TextField => ({ key: label, label, kind: 'text' })

/** True for a field of some kinds of steps, where this step has it. */
const has = <K extends string>(step: Step, key: K): step is Step & Record<K, never> => key in step

const longest = 10_000

/** Minutes that are written as such. */
const minutes =
  (key: 'holdMin' | 'handsOnMin' | 'waitMin', label: string): Made =>
  (step) =>
    has(step, key)
      ? {
          field: number(label, 'min', 0, longest),
          value: step[key] as number,
          // The waiting of a step holds its clock: one time, set in one place.
          part: (value) => ({
            [key]: value,
            ...(key === 'holdMin' && has(step, 'waitMin')
              ? { waitMin: Math.max(0, (step.waitMin as number) + Number(value) - (step[key] as number)) }
              : {}),
          }),
        }
      : undefined

const sampleName = (value: string | number) =>
  /^(?!constructor$)[a-z][a-z0-9-]*$/.test(String(value))
    ? undefined
    : 'A sample is named in small letters, such as crude or light-fraction.'

const sample =
  (key: 'sample' | 'from' | 'to', label: string): Made =>
  (step) =>
    has(step, key)
      ? {
          field: { ...words(label), offers: 'samples' },
          value: step[key] as string,
          part: (value) => ({ [key]: value }),
          problem: sampleName,
        }
      : undefined

const charged =
  (key: 'line' | 'solvent'): Made =>
  (step, plan) =>
    has(step, key)
      ? {
          field: choice(
            key,
            plan.lines.filter(isCharged).map((line) => [line.id, lineName(plan, line)] as const),
          ),
          value: step[key] as string,
          part: (value) => ({ [key]: value }),
        }
      : undefined

const yesOrNo =
  (key: 'dry' | 'endsDay', label: string, yes: string, no: string): Made =>
  (step) =>
    has(step, key)
      ? {
          field: choice(label, [
            ['yes', yes],
            ['no', no],
          ]),
          value: step[key] ? 'yes' : 'no',
          part: (value) => ({ [key]: value === 'yes' }),
        }
      : undefined

const kinds = Object.keys(fillRule) as Vessel['kind'][]

/** The fields of steps that stand as blanks in the sentences of operations. */
const own = {
  line: charged('line'),
  solvent: charged('solvent'),
  sample: sample('sample', 'sample'),
  from: sample('from', 'from sample'),
  to: sample('to', 'to sample'),
  holdMin: minutes('holdMin', 'clock'),
  handsOnMin: minutes('handsOnMin', 'hands on'),
  waitMin: minutes('waitMin', 'waiting'),
  dry: yesOrNo('dry', 'how dry', 'dry', 'still damp'),
  endsDay: yesOrNo('endsDay', 'when it goes on', 'another day', 'the same day'),
  portion: (step) =>
    step.kind === 'charge'
      ? {
          field: number('part of it', '%', 1e-6, 100),
          value: (step.portion ?? 1) * 100,
          part: (percent) => ({ portion: percent === 100 ? undefined : Number(percent) / 100 }),
        }
      : undefined,
  mayDiffer: (step, plan) => {
    if (step.kind !== 'charge') return undefined
    const usual = usuallyDiffers(lineOf(plan, step.line))
    return {
      field: number('off the plan by', '%', 1, 200),
      value: Number((100 * (step.mayDiffer ?? usual)).toPrecision(3)),
      follows: step.mayDiffer === undefined,
      part: (percent) => ({ mayDiffer: Number(percent) / 100 === usual ? undefined : Number(percent) / 100 }),
    }
  },
  measure: (step) =>
    step.kind === 'charge'
      ? {
          field: choice('measured by', [
            ['mass', 'mass'],
            ['volume', 'volume'],
          ]),
          value: step.measure,
          part: (measure) =>
            measure === 'mass'
              ? { measure, device: 'balance-0.01', weighing: ['tare', 'difference'] }
              : { measure, device: 'cylinder-10', weighing: undefined },
        }
      : undefined,
  container: (step) =>
    has(step, 'container')
      ? { field: words('container'), value: step.container as string, part: (container) => ({ container }) }
      : undefined,
  device: (step) => {
    if (!has(step, 'device')) return undefined
    const value = step.device as string
    const measures = step.kind === 'charge' ? step.measure : (deviceOf(value)?.measures ?? 'mass')
    const ways = devices.filter((each) => each.measures === measures).map(({ id, name }) => [id, name] as const)
    return { field: choice('device', ways), value, part: (device) => ({ device }) }
  },
  agreement: (step) =>
    step.kind === 'dry'
      ? {
          field: number('agreement', '%', 0.01, 10),
          value: 100 * step.agreement,
          part: (percent) => ({ agreement: Number(percent) / 100 }),
        }
      : undefined,
  vessel: ({ vessel }) => ({
    field: choice('vessel', [['', 'the same vessel as before'], ...kinds.map((kind) => [kind, kind] as const)]),
    value: vessel?.kind ?? '',
    follows: vessel === undefined,
    part: (kind) => ({
      vessel: kind === '' ? undefined : { kind, sizeML: vesselSizes[kind as Vessel['kind']][3]! },
    }),
  }),
  sizeML: ({ vessel }) =>
    vessel && {
      field: choice(
        'size, mL',
        vesselSizes[vessel.kind].map((size) => [String(size), `${size} mL`] as const),
      ),
      value: String(vessel.sizeML),
      part: (size) => ({ vessel: { ...vessel, sizeML: Number(size) } }),
    },
  witness: ({ witness }) => ({
    field: choice('a demonstrator signs', [
      ['no', 'is not needed'],
      ['yes', 'signs'],
    ]),
    value: witness ? 'yes' : 'no',
    part: (value) => ({ witness: value === 'yes' }),
  }),
} satisfies Record<string, Made>

/** Fields of the step itself that its words may name. */
export const ownFigures = ['holdMin', 'handsOnMin', 'waitMin', 'portion', 'agreement', 'sizeML'] as const

/** A blank of the step itself by its key, `@` and its name; undefined where this step has no such field. */
export function ownBlank(key: string, step: Step, plan: Plan): OwnBlank | undefined {
  const made = (own as Record<string, Made>)[key.slice(1)]
  return key.startsWith('@') ? made?.(step, plan) : undefined
}

/** What every step says at its end, whatever its operation. */
export const common = ({ vessel }: Step): readonly string[] => [
  `In {@vessel}${vessel ? ', {@sizeML}' : ''}. Hands on {@handsOnMin}, waiting {@waitMin}. A demonstrator {@witness}.`,
]
