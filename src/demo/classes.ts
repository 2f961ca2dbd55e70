import { mainResult, productSample, type Plan } from '@/core/plan/plan'
import { computedLine, wholeOf } from '@/core/reaction/reactionTable'
import type { RunState } from '@/core/run/foldRun'
import type { Worker } from './play'

/** A class that the made-up college has held: which preparation, how long ago, and what is instructive about it. */
export interface HeldClass {
  title: string
  /** Days before the day of seeding, and the hour at which it began. */
  days: number
  hour: number
  section: 'A' | 'B' | 'spring' | 'autumn'
  room: string
  worker: (bench: number, random: () => number) => Worker
}

const spread = (random: () => number, middle: number, part: number) => middle * (1 + part * (random() + random() - 1))

/** g of a sample as a part of what the plan gives: of the product, of its crude, of each substance that is got back. */
const parts =
  (of: Readonly<Record<string, number>>) =>
  (run: RunState, sample: string): number => {
    const { plan, planned } = run
    const recovery = plan.recoveries?.find((each) => each.sample === sample)
    const whole = recovery ? computedLine(planned, recovery.product).mass?.value : (wholeOf(plan, planned)?.value ?? 1)
    const known = of[sample]
    const product = of[mainResult(plan)?.recovery?.sample ?? productSample(plan)] ?? 0.7
    return (whole ?? 1) * (known ?? product * 1.12)
  }

const ordinary = (bench: number, random: () => number, of: Readonly<Record<string, number>>): Worker => ({
  bench,
  slow: spread(random, 6, 1.5),
  gets: parts(Object.fromEntries(Object.entries(of).map(([sample, part]) => [sample, spread(random, part, 0.07)]))),
  lowC: spread(random, 0.2, 1),
  wideC: spread(random, 1.3, 0.3),
  wet: spread(random, 0.05, 0.5),
  solvent: spread(random, 1.05, 0.12),
})

/** As the others, but for one sample. */
const less =
  ({ gets }: Worker, sample: string, factor: number): Worker['gets'] =>
  (run, of) =>
    gets(run, of) * (of === sample ? factor : 1)

/** The class of a preparation with the ordinary spread, and what a bench did otherwise. */
const held = (
  title: string,
  days: number,
  section: HeldClass['section'],
  of: Readonly<Record<string, number>>,
  otherwise: Readonly<Record<number, (worker: Worker) => Partial<Worker>>> = {},
): HeldClass => ({
  title,
  days,
  hour: 9,
  section,
  room: days % 2 === 0 ? 'North lab' : 'South lab',
  worker: (bench, random) => {
    const worker = ordinary(bench, random, of)
    return { ...worker, ...otherwise[bench]?.(worker) }
  },
})

/** What the college has held before: every kind of result with a believable spread and a failure to learn from. */
export const classesHeld: readonly HeldClass[] = [
  held('Acetanilide', 412, 'autumn', { crude: 0.83, purified: 0.71 }, { 4: () => ({ lowC: 5, wideC: 4.5 }) }),
  held(
    'Acetanilide',
    230,
    'spring',
    { crude: 0.86, purified: 0.75 },
    { 6: (worker) => ({ solvent: 2.4, gets: less(worker, 'purified', 0.62) }) },
  ),
  held('Benzoin', 44, 'B', { crude: 0.82, purified: 0.72 }, { 3: () => ({ lowC: 6, wideC: 5 }) }),
  held('Benzil', 37, 'B', { crude: 0.95, purified: 0.84 }, { 5: (worker) => ({ gets: less(worker, 'purified', 0.55) }) }),
  held('Benzilic acid', 30, 'B', { crude: 0.78, purified: 0.66 }),
  held(
    'Recrystallising 4-methylbenzoic acid',
    33,
    'A',
    { pure: 0.82 },
    { 7: (worker) => ({ solvent: 2.2, gets: less(worker, 'pure', 0.5) }) },
  ),
  held(
    'A day of tests on alcohols and carbonyl compounds',
    26,
    'B',
    {},
    {
      2: () => ({ misreads: ['iodoform 2'] }),
      5: () => ({ misreads: ['hydrazine 6'] }),
      7: () => ({ misreads: ['cerium 3', 'hydrazine 4'] }),
    },
  ),
  held(
    'Separation of an acid, an amine and a hydrocarbon',
    23,
    'A',
    { acid: 0.86, amine: 0.72, neutral: 0.8 },
    {
      4: (worker) => ({ gets: less(worker, 'amine', 0.3) }),
      6: (worker) => ({ gets: less(worker, 'neutral', 1.4), lowC: 4, wideC: 4 }),
    },
  ),
  held(
    'Fractionating cyclohexane and toluene',
    19,
    'A',
    { light: 0.44, between: 0.2, heavy: 0.68 },
    { 3: (worker) => ({ gets: less(worker, 'light', 0.6) }) },
  ),
  held(
    'Isopentyl acetate',
    16,
    'B',
    { purified: 0.66 },
    {
      2: (worker) => ({ gets: less(worker, 'purified', 0.45) }),
      5: () => ({ offIndex: 0.0032, wideC: 6, lowC: 9 }),
    },
  ),
]

/** A plan by its title. @throws where there is none */
export function planCalled<P extends { plan: Plan }>(preparations: readonly P[], title: string): P {
  const found = preparations.find(({ plan }) => plan.title === title)
  if (!found) throw new Error(`The college has no preparation “${title}”.`)
  return found
}
