import { surestStages } from './column'
import { batchDistillation } from './batch'
import { byWindow, purityOf, recoveryAtPurity, usualPurities, type Fraction } from './fractions'
import { pressureMmHg } from '../../lab/lab'
import { operationIn } from '../registry'
import { mainSubstance, type Step, type WorkRow } from '../../plan/plan'
import { type Substance } from '../../substance/substance'
import { typedFor } from '../../plan/typedFor'
import { writeNumber } from '../../quantity/write'
import { calledBy } from '../../substance/calledBy'
import { molarMass } from '../../substance/molarMass'
import { boilsAt, trouton, water } from '../vessel/boilingAt'
import type { ActivityModel } from './activity'
import type { BatchCharge } from './batch'
import type { Component, Mixture } from './equilibrium'
import { inOneRow, readHeads, type HeadReading } from './headReadings'
import { withWater } from './partsFromWater'
import { endsBeforeDry } from './rules'
import { steamDistillation } from './steam'
import { expectedReading, stemFactor, type Filling } from './thermometer'
import { decomposesFromC, whichDistillation } from './whichDistillation'
import { crudeComposition } from '../wash/impurities'
import { expectedProductG } from '../vessel/inVessel'
import {
  fact,
  ofLab,
  ofPlan,
  ofRecord,
  planner,
  rough,
  unknown,
  usual,
  when,
  type Advice,
  type Context,
  type Fact,
  type Report,
} from '../planner'
import { blank, list, named, oneOf, type Blanks } from '../fields'

const constant = <const I extends 1 | 2 | 3, const J extends 1 | 2 | 3>(i: I, j: J) =>
  blank(`A${i}${j}` as `A${I}${J}`, `constant ${i}–${j}`, '', -20, 20)

const fields = [
  list('components', 'components', {
    columns: [named('name', 'substance', 'substances'), blank('mmol', 'mmol', '', 0, 1e6)],
    add: 'Add a component',
    fresh: { name: '', mmol: 10 },
  }),
  blank('stages', 'stages above the pot', '', 0, 40),
  blank('reflux', 'reflux ratio', '', 0, 100),
  blank('holdUpML', 'hold-up', 'mL', 0, 500),
  blank('mmHg', 'pressure', 'mmHg', 0.5, 900),
  oneOf('model', 'liquid', [
    ['ideal', 'ideal'],
    ['van Laar', 'van Laar’s'],
    ['Wilson', 'Wilson’s, Λ'],
    ['NRTL', 'NRTL, τ'],
  ]),
  constant(1, 2),
  constant(2, 1),
  constant(1, 3),
  constant(3, 1),
  constant(2, 3),
  constant(3, 2),
  blank('alpha', 'α of NRTL', '', 0.05, 0.6),
  blank('stopML', 'left at the end', 'mL', 0, 5000),
  blank('potML', 'flask', 'mL', 5, 20_000),
  named('wantedOf', 'fraction wanted', 'substances'),
  blank('lowC', 'from', '°C', -50, 400),
  blank('highC', 'to', '°C', -50, 400),
  oneOf('filling', 'thermometer', Object.keys(stemFactor)),
  blank('stemK', 'stem outside', 'K', 0, 300),
  blank('lagK', 'lag', 'K', 0, 20),
] as const

export type DistilBlanks = Blanks<typeof fields>

/** Vapour-pressure constants of a substance: those of its record, or a line through its boiling point after Trouton. */
export function vapourConstants({ antoine, boiling }: Substance): { a: number; b: number; c: number; estimated: boolean } | null {
  if (antoine) return { a: antoine.a, b: antoine.b, c: antoine.c, estimated: false }
  if (!boiling) return null
  const normalK = (boiling.lowC + boiling.highC) / 2 + 273.15
  return { a: Math.log10(760) + trouton / Math.LN10, b: (trouton * normalK) / Math.LN10, c: 273.15, estimated: true }
}

/** Up to three components that boil: those in the pot, the product and what is left beside it. */
function inPot(context: Context): WorkRow[] {
  const { plan, table, now } = context
  const volatile = (substance: Substance) => substance.formula !== undefined && vapourConstants(substance) !== null
  const product = mainSubstance(plan)
  const direct = now.contents.filter(
    ({ line, substance }) => volatile(substance) && line.form.kind !== 'solid' && !plan.mainProduct,
  )
  const amountOf = (id: string) => table.lines.find(({ line }) => line.id === id)?.amount?.value ?? 0
  if (direct.length > 0)
    return direct.slice(0, 3).map(({ line, substance }) => ({ name: substance.name, mmol: rough(amountOf(line.id), 4) }))
  // A second distillation of a mixture that was charged whole.
  const charged = table.lines.filter(
    ({ line, substance, amount }) => amount && !plan.mainProduct && volatile(substance) && line.form.kind !== 'solid',
  )
  if (charged.length > 0)
    return charged.slice(0, 3).map(({ substance, amount }) => ({ name: substance.name, mmol: rough(amount!.value, 4) }))
  const made =
    product?.formula && volatile(product)
      ? [{ name: product.name, mmol: rough((1000 * expectedProductG(context)) / molarMass(product.formula)) }]
      : []
  const beside = crudeComposition(plan, table, plan.expectedYield?.high ?? 1)
    .filter(
      ({ substance, kind }) =>
        kind !== 'mineral acid' &&
        kind !== 'carboxylic acid' &&
        kind !== 'water-soluble' &&
        kind !== 'halogen' &&
        plan.substances.some((each) => each.id === substance && each.id !== product?.id && volatile(each)),
    )
    // Washing and drying leave about a tenth of what dissolves in the organic layer.
    .map(({ name, mmol }) => ({ name, mmol: rough(0.1 * mmol) }))
  return [...beside, ...made].slice(-3)
}

const componentOf = (substance: Substance): Component | null => {
  const constants = vapourConstants(substance)
  return constants && substance.formula !== undefined
    ? {
        name: substance.name,
        a: constants.a,
        b: constants.b,
        c: constants.c,
        gPerMol: molarMass(substance.formula),
        gPerML: substance.density?.gPerML ?? 0.9,
      }
    : null
}

/** The batch that the blanks describe, for the curve; null where a component has no vapour pressure on record or nothing is in the pot. */
export function batchOf(
  context: Context,
  filled: DistilBlanks,
): { mixture: Mixture; charge: BatchCharge; wanted: number } | null {
  const rows = filled.components.filter(({ mmol }) => Number(mmol) > 0)
  const components = rows
    .map(({ name }) => calledBy(context.plan.substances, name))
    .map((substance) => substance && componentOf(substance))
  if (rows.length === 0 || components.some((component) => !component)) return null
  const model = modelOf(filled, rows.length)
  const { substances } = context.plan
  const product = calledBy(substances, filled.wantedOf) ?? mainSubstance(context.plan)
  const wanted = rows.findIndex(({ name }) => product && calledBy(substances, name) === product)
  const reflux = filled.reflux
  return {
    mixture: { components: components as Component[], model, mmHg: filled.mmHg },
    charge: {
      mmol: rows.map(({ mmol }) => Number(mmol)),
      stages: Math.round(filled.stages),
      reflux: reflux > 0 ? reflux : 0.001,
      holdUpML: filled.holdUpML,
      points: 400,
      stopML: filled.stopML,
    },
    wanted: Math.max(0, wanted),
  }
}

/** Pairs of a mixture of up to three, as their constants are numbered in the blanks. */
const pairsOf = (count: number) => [
  [1, 2] as const,
  ...(count > 2
    ? ([
        [1, 3],
        [2, 3],
      ] as const)
    : []),
]

/** The constant of a pair, by the numbers of its components. */
const constantOf = (filled: DistilBlanks, i: number, j: number) => filled[`A${i}${j}` as 'A12']

/** Wilson's constants stand under a logarithm: only above 0 do they mean anything. */
const wilsonHolds = (filled: DistilBlanks, count: number) =>
  filled.model !== 'Wilson' || pairsOf(count).every(([i, j]) => constantOf(filled, i, j) > 0 && constantOf(filled, j, i) > 0)

/** The activity model of the blanks: two constants for each pair of components. Van Laar's are for two; with more the liquid is taken as ideal. */
function modelOf(filled: DistilBlanks, count: number): ActivityModel {
  const kind = filled.model
  const most = kind === 'van Laar' ? 2 : 3
  if (count < 2 || count > most || kind === 'ideal' || !wilsonHolds(filled, count)) return { kind: 'ideal' }
  if (kind === 'van Laar') return { kind, A12: filled.A12, A21: filled.A21 }
  const matrix = (own: number, of: (i: number, j: number) => number) =>
    Array.from({ length: count }, (_, i) => Array.from({ length: count }, (_other, j) => (i === j ? own : of(i + 1, j + 1))))
  const of = (i: number, j: number) => constantOf(filled, i, j)
  return kind === 'Wilson'
    ? { kind, lambda: matrix(1, of) }
    : { kind: 'NRTL', tau: matrix(0, of), alpha: matrix(0, () => filled.alpha) }
}

/** The sentence of the activity model, pair by pair. */
function modelSentence(filled: DistilBlanks): string {
  const model = filled.model
  const names = filled.components
    .filter(({ mmol }) => Number(mmol) > 0)
    .map(({ name }, index) => String(name || `component ${index + 1}`))
  if (model === 'ideal' || names.length < 2) return 'The liquid is taken as {model}.'
  const pairs = pairsOf(model === 'van Laar' ? 2 : names.length).map(
    ([i, j]) => `${names[i - 1]} with ${names[j - 1]} {A${i}${j}} and {A${j}${i}}`,
  )
  return `The liquid is taken as {model}, with the constants ${pairs.join(', ')}${model === 'NRTL' ? ', α {alpha}' : ''}.`
}

/** The window of a step: the blanks', or as the group at the bench widened it. */
export function windowOf(context: Context, filled: DistilBlanks): { lowC: number; highC: number } {
  return context.measured?.windows[context.step.id] ?? { lowC: filled.lowC, highC: filled.highC }
}

/** The steps of one distillation, one receiver each: those since the apparatus was last set up, to this one. */
function receiversUpTo({ plan, step }: Context): Step[] {
  const before = plan.steps.slice(0, plan.steps.indexOf(step) + 1)
  return before
    .slice(before.findLastIndex((each) => operationIn(each)?.setsUp) + 1)
    .filter((each) => operationIn(each)?.measures === 'head')
}

/** The readings at the head since the first drop of all, with what every receiver before held. */
export function headsUpTo(context: Context): HeadReading[] {
  return inOneRow(receiversUpTo(context).map(({ id }) => context.measured?.heads[id] ?? []))
}

/** What the readings at the bench say: how much is over and left, the boiling range, and when to stop. */
function asItRuns(context: Context, filled: DistilBlanks, potML: number): Pick<Report, 'facts' | 'advice'> {
  const own = context.measured?.heads[context.step.id] ?? []
  const { lowC, highC } = windowOf(context, filled)
  const here = readHeads(own, lowC, highC)
  if (!here) return { facts: [], advice: [] }
  const overML = readHeads(headsUpTo(context), lowC, highC)!.overML
  const left = Math.max(0, potML - overML)
  const stopML = filled.stopML
  const range = `${writeNumber(here.firstC, 1)}–${writeNumber(here.lastC, 1)} °C`
  return {
    facts: [
      fact('left-now', 'left in flask and column', left, 'mL', 1, {
        how: `${writeNumber(potML, 1)} mL − ${writeNumber(overML, 1)} mL over; ${writeNumber((100 * left) / filled.potML, 0)} % of the flask`,
        atBench: true,
      }),
      { ...fact('range', 'boiling range so far', here.lastC - here.firstC, 'K', 1, { atBench: true }), text: range },
      fact('inside', `came between ${lowC} and ${highC} °C`, here.insideML, 'mL', 1, {
        how: `of ${writeNumber(here.overML, 1)} mL in this receiver; between two readings the head is taken to change evenly`,
        atBench: true,
      }),
    ],
    advice: [
      ...when(
        left <= stopML,
        'stop-now',
        'danger',
        `Lower the heat now: about ${writeNumber(left, 1)} mL are left in flask and column, and it must never run dry.`,
      ),
      ...when(
        left > stopML && left <= 2 * stopML + 1,
        'stop-soon',
        'doubt',
        `Only ${writeNumber(left, 1)} mL are left in flask and column: stop at ${writeNumber(stopML, 1)} mL.`,
      ),
      ...when(
        own.length > 1 && (here.lastC < lowC || here.lastC > highC),
        'outside-now',
        'doubt',
        `The head shows ${writeNumber(here.lastC, 1)} °C, ${here.lastC < lowC ? 'below' : 'above'} ${lowC} to ${highC} °C: change the receiver, or widen the window and say why.`,
      ),
    ],
  }
}

const volumeOf = (context: Context, filled: Pick<DistilBlanks, 'components'>) =>
  filled.components.reduce((sum, { name, mmol }) => {
    const substance = calledBy(context.plan.substances, name)
    const component = substance && componentOf(substance)
    return component ? sum + (Number(mmol) * component.gPerMol) / component.gPerML / 1000 : sum
  }, 0)

/** What the figures and the advice of a step both rest on. */
function worksOut(context: Context, filled: DistilBlanks) {
  const { plan, lab } = context
  const mmHg = filled.mmHg
  const open = pressureMmHg(lab)
  const reduced = mmHg < 0.9 * open
  const rows = filled.components
  const named = rows.map(({ name, mmol }) => ({
    name: String(name ?? ''),
    mmol: Number(mmol),
    substance: calledBy(plan.substances, name),
  }))
  const wanted =
    calledBy(
      named.flatMap(({ substance }) => substance ?? []),
      filled.wantedOf,
    ) ?? mainSubstance(plan)
  const boil = wanted ? boilsAt(wanted, mmHg) : null
  const all = rows.reduce((sum, { mmol }) => sum + Number(mmol ?? 0), 0)
  // A tenth of the pot goes with the forerun, however near it boils.
  const others = named
    .filter(({ mmol }) => mmol > 0.1 * all)
    .flatMap(({ substance }) => (substance && substance !== wanted ? (boilsAt(substance, mmHg)?.atC ?? []) : []))
  const nearest = boil && others.length > 0 ? Math.min(...others.map((atC) => Math.abs(atC - boil.atC))) : null
  const unknown = named.filter(({ substance }) => !substance || vapourConstants(substance) === null)
  const [potML, stopML] = [filled.potML, filled.stopML]
  const { lowC, highC } = windowOf(context, filled)
  const volumeML = volumeOf(context, filled)
  const thermometer = {
    filling: filled.filling as Filling,
    stemK: filled.stemK,
    lagK: filled.lagK,
    roomC: 20,
  }
  const shows = boil ? expectedReading(boil.atC, thermometer) : null
  const boilOpen = wanted ? boilsAt(wanted, open) : null
  const type = boilOpen ? whichDistillation(boilOpen.atC, nearest, wanted ? withWater(wanted) : 'unknown', lab.simpleFromK) : null
  const stages = filled.stages
  const steam =
    wanted?.formula !== undefined && boil && boil.atC > 140 && withWater(wanted) === 'parts from it'
      ? steamDistillation(wanted, molarMass(wanted.formula), water, mmHg)
      : null
  const estimated = named.some(({ substance }) => substance && vapourConstants(substance)?.estimated)
  return {
    plan,
    mmHg,
    open,
    reduced,
    rows,
    named,
    wanted,
    boil,
    others,
    nearest,
    unknown,
    potML,
    stopML,
    lowC,
    highC,
    volumeML,
    thermometer,
    shows,
    boilOpen,
    type,
    stages,
    steam,
    estimated,
  }
}

type Worked = ReturnType<typeof worksOut>

/** The figures that follow. */
function factsOf(at: Worked): Fact[] {
  const { mmHg, wanted, boil, nearest, potML, stopML, volumeML, thermometer, shows } = at
  return [
    fact('pot', 'in the pot', volumeML, 'mL', 0, {
      how: `${writeNumber((100 * volumeML) / potML, 0)} % of ${potML} mL at the first drop, ${writeNumber((100 * stopML) / potML, 0)} % at the end`,
      atBench: true,
    }),
    ...(boil && wanted
      ? [
          fact('boils', `${wanted.name} boils here at`, boil.atC, '°C', 1, {
            how: `at ${writeNumber(mmHg, 0)} mmHg, by its ${boil.by}`,
          }),
        ]
      : []),
    ...(shows === null
      ? []
      : [
          fact('shows', 'the thermometer shows', shows, '°C', 1, {
            how: `T = t + ${stemFactor[thermometer.filling] ?? 0}·n·(t − 20) + lag, solved for t`,
            atBench: true,
          }),
        ]),
    ...(nearest === null ? [] : [fact('apart', 'nearest other component', nearest, 'K', 0)]),
  ]
}

/** What to do and to doubt about the liquid: how it is distilled, what is known of it, and how it is taken. */
function liquidAdvice(at: Worked, filled: DistilBlanks): Advice[] {
  const { reduced, rows, named, wanted, unknown, boilOpen, type, stages, estimated } = at
  return [
    ...(type
      ? [
          {
            id: 'type',
            level: type.way === 'fractional' && stages < 1 ? ('doubt' as const) : ('open' as const),
            words: `${type.way[0]!.toUpperCase()}${type.way.slice(1)} distillation${type.way === 'fractional' && stages < 1 ? ': put a column on, it has no stages now' : ''}.`,
            why: type.why,
          },
        ]
      : []),
    ...when(
      named.length > 2 && stages > surestStages,
      'many-stages',
      'doubt',
      `Three components over more than ${surestStages} stages: near the least reflux the curve can be some hundredths too pure. Look at it with fewer stages too, or two components at a time.`,
    ),
    ...when(
      reduced,
      'reduced',
      'danger',
      'Under reduced pressure: thick glass without a crack or a flat bottom, goggles and a shield; a stirrer instead of chips; let air in only when it is cold.',
      'glass gives way inwards, and chips do not work without air in them',
    ),
    ...when(
      // Trouton's rule is tens of kelvins off so far down: without constants nothing is said.
      !reduced && boilOpen !== null && boilOpen.atC > decomposesFromC && wanted?.antoine !== undefined,
      'lower',
      'open',
      `At 20 mmHg it boils at about ${writeNumber((wanted && boilsAt(wanted, 20)?.atC) ?? 0, 0)} °C: write that pressure here to plan it so.`,
    ),
    ...when(
      unknown.length > 0,
      'unknown',
      'doubt',
      `No boiling point on record for ${unknown.map(({ name }) => name || 'a component without a name').join(', ')}: there is no curve. Name substances of this plan.`,
    ),
    ...when(
      filled.model === 'van Laar' && rows.length > 2,
      'van-laar',
      'doubt',
      'Van Laar’s equations are for two components: with three the liquid is taken as ideal. Take Wilson’s or NRTL.',
    ),
    ...when(
      filled.model !== 'ideal' && rows.length > 3,
      'four',
      'doubt',
      'Constants are for up to three components: with more the liquid is taken as ideal.',
    ),
    ...when(
      !wilsonHolds(filled, rows.length),
      'wilson',
      'doubt',
      'Wilson’s Λ are above 0: the liquid is taken as ideal. At 1 both ways a pair is ideal.',
    ),
    ...when(
      estimated,
      'estimated',
      'open',
      'Where no vapour-pressure constants are on record, the curve rests on the boiling point and Trouton’s rule.',
    ),
  ]
}

/** What to do and to doubt about flask and window, and with steam. */
function setUpAdvice(at: Worked, context: Context): Advice[] {
  const { plan, wanted, potML, stopML, lowC, highC, volumeML, shows, steam } = at
  return [
    ...(volumeML > (2 / 3) * potML
      ? [
          {
            id: 'full',
            level: 'doubt' as const,
            words: `${writeNumber(volumeML, 0)} mL fill the ${potML} mL flask to ${writeNumber((100 * volumeML) / potML, 0)} %; about half is right.`,
          },
        ]
      : volumeML < potML / 4
        ? [
            {
              id: 'empty',
              level: 'doubt' as const,
              words: `${writeNumber(volumeML, 0)} mL are little for a ${potML} mL flask: much of it stays behind as vapour. Take a smaller one.`,
            },
          ]
        : []),
    ...when(
      stopML < Math.max(0.5, 0.03 * potML),
      'dryness',
      'danger',
      `Only ${writeNumber(stopML, 1)} mL are left at the end: never distil to dryness. Leave at least ${writeNumber(Math.max(0.5, 0.03 * potML), 1)} mL.`,
      'a dry flask overheats, and peroxides gather in what is last',
    ),
    ...when(
      highC - lowC < 3,
      'narrow',
      'doubt',
      `A window of ${writeNumber(highC - lowC, 0)} °C is narrower than thermometers agree.`,
    ),
    ...(shows !== null && (shows < lowC - 0.5 || shows > highC + 0.5)
      ? [
          {
            id: 'window',
            // A fraction between two others is collected on purpose beside where the wanted one boils.
            level:
              plan.mainProduct !== undefined || typedFor(context.step).wantedOf !== undefined
                ? ('doubt' as const)
                : ('open' as const),
            words: `${wanted!.name} will show about ${writeNumber(shows, 1)} °C here, outside ${lowC} to ${highC} °C. Move the window, with the reason.`,
          },
        ]
      : []),
    ...(steam
      ? [
          {
            id: 'steam',
            level: 'open' as const,
            words: `With steam it comes over at ${writeNumber(steam.atC, 1)} °C, ${writeNumber(steam.gPerGWater, 2)} g to the gram of water.`,
            why: 'p(water) + p(organic) = P',
          },
        ]
      : []),
    {
      id: 'set-up',
      level: 'open',
      words:
        'Chips in the cold flask, bulb just below the side arm, joints snug, open at the receiver, water on; one or two drops a second.',
    },
  ]
}

/** Distillation: which kind, what comes over when, what the thermometer will show, and when to stop. */
export const distilling = planner({
  of: 'distil',
  title: 'Distillation',
  sentences: (say, filled) => [
    say`In the pot: ${'components'}`,
    say`A column of ${'stages'} stages at reflux ${'reflux'} that holds ${'holdUpML'}. Stop with ${'stopML'} left in the ${'potML'} flask, at ${'mmHg'}.`,
    modelSentence(filled),
    say`Collect ${'wantedOf'} from ${'lowC'} to ${'highC'} at the thermometer, filled with ${'filling'}, ${'stemK'} of its scale outside, ${'lagK'} behind the vapour.`,
  ],
  fields,
  doubts: {
    dryness: 'Distilled to dryness',
    narrow: 'The window is too narrow for a thermometer',
    window: 'The product boils outside the window',
  },
  rules: [endsBeforeDry],
  suggest: (context, typed) => {
    const { plan, now, lab } = context
    const components = inPot(context)
    // Where nothing is known the pairs are as an ideal solution has them: Λ = 1, τ = 0.
    const none = unknown(typed.model === 'Wilson' ? 1 : 0, 'no constants on record: as an ideal solution has it')
    const product = mainSubstance(plan)
    const substances = components.map(({ name }) => calledBy(plan.substances, name)!)
    const mmHg = typed.mmHg ?? pressureMmHg(lab)
    const first = [...substances].sort((a, b) => (boilsAt(a, mmHg)?.atC ?? 0) - (boilsAt(b, mmHg)?.atC ?? 0))
    const wanted =
      substances.find((each) => each === calledBy(plan.substances, typed.wantedOf)) ??
      (product && substances.includes(product) && plan.mainProduct ? product : first[0])
    const boil = wanted && boilsAt(wanted, mmHg)
    const all = volumeOf(context, { components })
    const end = (byK: number) =>
      boil
        ? ofRecord(Math.round(boil.atC + byK), `3 K from where ${wanted.name} boils at this pressure`)
        : unknown(100 + byK, 'what it boils at is not on record')
    return {
      components: ofPlan(components, 'what boils of what is in the pot'),
      stages: usual(0, 'no column'),
      reflux: usual(0, 'nothing is sent back'),
      holdUpML: usual(0, 'no column'),
      mmHg: ofLab(rough(pressureMmHg(lab), 4), 'its pressure'),
      model: usual('ideal', 'no constants on record'),
      A12: none,
      A21: none,
      A13: none,
      A31: none,
      A23: none,
      A32: none,
      alpha: usual(0.3, 'of most mixtures'),
      stopML: usual(rough(Math.max(1, all * 0.06)), 'six hundredths of the pot'),
      potML:
        now.vessel?.kind === 'round-bottom'
          ? ofPlan(rough(Math.max(5, now.vessel.sizeML)), 'the flask of the plan')
          : usual(rough(Math.max(5, 2 * all)), 'twice what is in it'),
      wantedOf: ofPlan(wanted?.name ?? '', product && wanted === product ? 'the product' : 'what boils lowest'),
      lowC: end(-3),
      highC: end(3),
      filling: usual('spirit', 'the thermometer of most laboratories'),
      stemK: usual(0, 'all of it in the vapour'),
      lagK: usual(0, 'it follows at once'),
    }
  },
  tables: fractionTables,
  report: (context, filled) => {
    const at = worksOut(context, filled)
    const running = asItRuns(context, filled, at.volumeML)
    return {
      facts: [...running.facts, ...factsOf(at)],
      advice: [...running.advice, ...liquidAdvice(at, filled), ...setUpAdvice(at, context)],
    }
  },
})

/** Fractions by the window and by purity, as tables; why there is none where the mixture is refused. */
function fractionTables(context: Context, filled: DistilBlanks): Record<string, unknown> {
  const batch = batchOf(context, filled)
  if (!batch) return {}
  const { mixture, charge, wanted } = batch
  const { lowC, highC } = windowOf(context, filled)
  let curve
  try {
    curve = batchDistillation(mixture, charge)
  } catch (error) {
    if (error instanceof RangeError) return { refused: error.message }
    throw error
  }
  const row = (fraction: Fraction) => ({
    name: fraction.name,
    from_mL: fraction.fromML,
    to_mL: fraction.toML,
    from_C: fraction.fromC,
    to_C: fraction.toC,
    mmol: fraction.mmol,
    purity: purityOf(fraction, wanted),
  })
  return {
    components: mixture.components.map(({ name }) => name),
    fractions: byWindow(curve, lowC, highC).map(row),
    left_mmol: curve.left.map((n, i) => n + curve.inColumn[i]!),
    purities: recoveryAtPurity(curve, wanted, charge.mmol[wanted]!, usualPurities).map(({ purity, recovery, fraction }) => ({
      ...row(fraction),
      purity,
      recovery,
    })),
  }
}
