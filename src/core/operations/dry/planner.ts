import { substanceOfSample, type Step } from '../../plan/plan'
import { deviceOf, uncertaintyOf } from '../../quantity/device'
import { writeNumber } from '../../quantity/write'
import { agreementOf, dryingTrend, lastTwoAgree, type Weighing } from '../../measurements/agreement'
import { solidGIn, vesselDuring } from '../vessel/stoodAt'
import { fact, planner, unknown, usual, when, type Advice, type Context } from '../planner'
import { blank, list, type Blanks } from '../fields'

const fields = [
  blank('ovenC', 'oven', '°C', 15, 250),
  blank('everyMin', 'every', 'min', 1, 1440),
  list('weighings', 'weighings', {
    columns: [blank('atMin', 'after, min', '', 0, 20_000), blank('massG', 'net, g', '', 0.0001, 5000)],
    add: 'Add a weighing',
    fresh: { atMin: 0, massG: 1 },
  }),
] as const

export type DryBlanks = Blanks<typeof fields>

/** The weighings of the run, or those written into the planner. */
export function weighingsOf({ measured, step }: Context, filled: DryBlanks): Weighing[] {
  const real = measured?.weighings[step.id]
  if (real && real.length > 0) return real
  return filled.weighings.map(({ atMin, massG }) => ({ atMin: Number(atMin ?? 0), massG: Number(massG ?? 0) }))
}

/** What agreement counts as dry, g: the share of the mass, or twice the readability where that is more. */
export function agreementG({ step }: Context, massG: number): number {
  const { share, readabilityG } = agreesTo(step)
  return agreementOf(massG, share, readabilityG)
}

/** The agreement of the step, and the readability of its balance. */
function agreesTo(step: Step): { share: number; readabilityG: number } {
  const [share, device] = step.kind === 'dry' ? [step.agreement, deviceOf(step.device)] : [0.005, undefined]
  return { share, readabilityG: device?.readability ?? 0.01 }
}

/** Drying a solid: how hot at most, the trend of its weighings, and when it will be dry. */
export const dryingSolids = planner({
  of: 'dry',
  title: 'Drying a solid',
  sentences: (say) => [
    say`Dry ${'@sample'} in the oven at ${'ovenC'}, weighed every ${'everyMin'} on ${'@device'} in ${'@container'}, until two weighings agree to ${'@agreement'}.`,
    say`Weighings: ${'weighings'}`,
  ],
  fields,
  doubts: { hot: 'Hotter than is allowed' },
  suggest: () => ({
    ovenC: usual(60, 'nobody has said how warm'),
    everyMin: usual(10, 'ten minutes of drying between two weighings'),
    weighings: unknown([], 'none has been written'),
  }),
  report: (context, filled) => {
    const { plan, step } = context
    const sample = step.kind === 'dry' ? step.sample : ''
    const melts = substanceOfSample(plan, sample)?.melting?.lowC
    const ovenC = filled.ovenC
    const weighings = weighingsOf(context, filled)
    const last = weighings.at(-1)
    const device = deviceOf(step.kind === 'dry' ? step.device : undefined)
    const agree = agreementG(context, last?.massG ?? solidGIn(vesselDuring(context)) ?? 0)
    const trend = last ? dryingTrend(weighings, device ? uncertaintyOf(device, 2) : 0.01, agree) : null
    const left = trend?.endsAtMin === null || !trend || !last ? null : Math.max(0, trend.endsAtMin - last.atMin)
    const agreed = lastTwoAgree(
      weighings.map(({ massG }) => massG),
      agreesTo(step).share,
      agreesTo(step).readabilityG,
    )
    const advice: Advice[] = [
      ...(melts !== undefined && ovenC > melts - 20
        ? [
            {
              id: 'hot',
              level: 'danger' as const,
              words: `${ovenC} °C is too near the melting point of ${melts} °C, and damp solid melts lower still: at most ${writeNumber(melts - 20, 0)} °C, or in air.`,
            },
          ]
        : []),
      ...when(
        weighings.length === 0,
        'rule',
        'open',
        `It is dry when two weighings, ${filled.everyMin} min apart, differ by no more than ${writeNumber(agree, 3)} g. A yield taken before that is marked wet.`,
      ),
      ...when(agreed, 'dry', 'good', 'The last two weighings agree: dry.'),
      ...when(
        !agreed && weighings.length > 0 && weighings.length < 3,
        'more',
        'open',
        'Three weighings show where it is tending to.',
      ),
      ...when(
        !agreed && weighings.length >= 3 && !trend,
        'no-trend',
        'doubt',
        'These weighings do not fall ever slower: was the container the same, and cold?',
      ),
      ...(trend && !agreed && left !== null
        ? [
            {
              id: 'left',
              level: 'open' as const,
              words: `About ${writeNumber(left, 0)} min more; it is tending to ${writeNumber(trend.endG, 2)} ± ${writeNumber(trend.uEndG, 2)} g.`,
            },
          ]
        : []),
    ]
    return {
      facts: [
        fact('agree', 'two weighings agree within', agree, 'g', 3, {
          how: `${writeNumber(100 * agreesTo(step).share, 2)} % or twice the readability`,
          atBench: true,
        }),
        ...(trend
          ? [
              fact('end', 'tending to', trend.endG, 'g', 2, {
                how: `± ${writeNumber(trend.uEndG, 2)} g from the balance; m = end + (start − end)·e^(−k·t), k = ${writeNumber(trend.perMin, 3)}/min`,
                atBench: true,
              }),
            ]
          : []),
        ...(left === null ? [] : [fact('left', 'time still to dry', left, 'min', 0, { atBench: true })]),
      ],
      advice,
    }
  },
})
