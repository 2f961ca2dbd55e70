import { sameStructure } from '../../substance/structure'
import type { DistilBlanks } from './blanks'
import { volumeOf, wilsonHolds } from './mixture'
import { windowOf } from './receivers'
import { surestStages } from './column'
import { pressureMmHg } from '../../lab/lab'
import { mainSubstance } from '../../plan/plan'
import { writeNumber } from '../../quantity/write'
import { heldById, nameOfHeld } from '../../substance/heldById'
import { molarMass } from '../../substance/molarMass'
import type { Substance } from '../../substance/substance'
import { boilsAt, decimalsWorth, vapourConstants, water, worth } from '../../substance/boilsAt'
import { azeotropeOf } from '../../matter/azeotropes'
import { withWater } from './partsFromWater'
import { saysAzeotrope } from './saysAzeotrope'
import { steamDistillation } from './steam'
import { expectedReading, stemFactor, type Filling } from './thermometer'
import { decomposesFromC, whichDistillation } from './whichDistillation'
import { fact, when, type Advice, type Context, type Fact } from '../planner'

interface InPot {
  mmol: number
  substance: Substance | undefined
}

/** What comes over when all of the wanted substance is carried over with steam: its volume, the water that comes with it, and the water that is in the pot, mL; null where none of it is there. */
function carriedOver(named: readonly InPot[], wanted: Substance, gPerGWater: number) {
  const grams = (which: (substance: Substance) => boolean) =>
    named.reduce(
      (sum, { mmol, substance }) =>
        substance?.formula !== undefined && which(substance) ? sum + (mmol * molarMass(substance.formula)) / 1000 : sum,
      0,
    )
  const wantedG = grams((substance) => substance === wanted)
  if (wantedG <= 0) return null
  return {
    wantedG,
    wantedML: wantedG / (wanted.density?.gPerML ?? 1),
    waterML: wantedG / gPerGWater,
    inPotML: grams(({ formula }) => formula === 'H2O'),
  }
}

/** What the figures and the advice of a step both rest on. */
export function worksOut(context: Context, filled: DistilBlanks) {
  const { plan, lab } = context
  const mmHg = filled.mmHg
  const open = pressureMmHg(lab)
  const reduced = mmHg < 0.9 * open
  const rows = filled.components
  const named = rows.map(({ name, mmol }) => ({
    name: nameOfHeld(plan.substances, name),
    mmol: Number(mmol),
    substance: heldById(plan.substances, name),
  }))
  const wanted =
    heldById(
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
  const carried = steam && wanted ? carriedOver(named, wanted, steam.gPerGWater) : null
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
    carried,
    estimated,
  }
}

export type Worked = ReturnType<typeof worksOut>

/** Where it would boil under a water pump, and what that is worth. */
function at20mmHg(wanted: Worked['wanted']): string {
  const found = wanted && boilsAt(wanted, 20)
  return found
    ? `At 20 mmHg it boils at about ${writeNumber(found.atC, 0)} °C${worth(found.plusMinusK)}: write that pressure here to plan it so.`
    : ''
}

/** Pairs in the pot that boil together, and pairs that are taken as ideal though they are not alike. */
function pairAdvice({ named }: Worked, model: string): Advice[] {
  const present = named.filter(({ mmol, substance }) => mmol > 0 && substance).map(({ substance }) => substance!)
  // A substance that stands in two rows is one.
  const there = present.filter(({ id }, index) => present.findIndex((each) => each.id === id) === index)
  const pairs = there.flatMap((one, i) => there.slice(i + 1).map((other) => [one, other] as const))
  const bonded = (groups: readonly string[] = []) =>
    groups.some((group) => group === 'alcohol' || group === 'phenol' || group === 'carboxylic acid' || group === 'amine')
  const unlike = pairs.filter(
    ([one, other]) => one.formula === 'H2O' || other.formula === 'H2O' || bonded(one.groups) !== bonded(other.groups),
  )
  return [
    ...pairs.flatMap(([one, other]) => {
      const azeotrope = azeotropeOf(one.smiles, other.smiles)
      if (!azeotrope) return []
      const first = sameStructure(azeotrope.one, one.smiles)
      return [saysAzeotrope(first ? [one.name, other.name] : [other.name, one.name], azeotrope)]
    }),
    ...when(
      model === 'ideal' && unlike.length > 0,
      'not-ideal',
      'doubt',
      `${unlike.map(([one, other]) => `${one.name} with ${other.name}`).join(', ')}: no such pair is ideal, and no constants are on record. The curve may be far off; write constants in, or take it as a picture only.`,
    ),
  ]
}

/** The figures that follow. */
export function factsOf(at: Worked): Fact[] {
  const { mmHg, wanted, boil, nearest, potML, stopML, volumeML, thermometer, shows, steam, carried } = at
  return [
    fact('pot', 'in the pot', volumeML, 'mL', 0, {
      how: `${writeNumber((100 * volumeML) / potML, 0)} % of ${potML} mL at the first drop, ${writeNumber((100 * stopML) / potML, 0)} % at the end`,
      atBench: true,
    }),
    ...(boil && wanted
      ? [
          fact('boils', `${wanted.name} boils here at`, boil.atC, '°C', decimalsWorth(boil.plusMinusK), {
            how: `at ${writeNumber(mmHg, 0)} mmHg, by its ${boil.by}${worth(boil.plusMinusK)}`,
          }),
        ]
      : []),
    ...(shows === null
      ? []
      : [
          fact('shows', 'the thermometer shows', shows, '°C', boil ? decimalsWorth(boil.plusMinusK) : 0, {
            how: `T = t + ${stemFactor[thermometer.filling] ?? 0}·n·(t − 20) + lag, solved for t`,
            atBench: true,
          }),
        ]),
    ...(carried && steam && carried.inPotML > 0
      ? [
          fact('water-over', 'water that comes with it', carried.waterML, 'mL', 0, {
            how: `${writeNumber(carried.wantedG, 1)} g ÷ ${writeNumber(steam.gPerGWater, 2)} g to the gram of water`,
            atBench: true,
          }),
          fact('receiver', 'the receiver takes', carried.waterML + carried.wantedML, 'mL', 0, {
            how: `${writeNumber(carried.waterML, 0)} mL of water and ${writeNumber(carried.wantedML, 1)} mL`,
            atBench: true,
          }),
        ]
      : []),
    ...(nearest === null ? [] : [fact('apart', 'nearest other component', nearest, 'K', 0)]),
  ]
}

/** What to do and to doubt about the liquid: how it is distilled, what is known of it, and how it is taken. */
export function liquidAdvice(at: Worked, filled: DistilBlanks): Advice[] {
  const { plan, reduced, rows, named, wanted, unknown, boilOpen, type, stages, estimated } = at
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
    ...when(!reduced && boilOpen !== null && boilOpen.atC > decomposesFromC, 'lower', 'open', at20mmHg(wanted)),
    ...when(
      unknown.length > 0,
      'unknown',
      'doubt',
      `No boiling point on record for ${unknown.map(({ name }) => name || 'a component without a name').join(', ')}: there is no curve. Name substances of this plan.`,
    ),
    ...when(
      filled.wantedOf !== '' && !heldById(plan.substances, filled.wantedOf),
      'not-here',
      'doubt',
      `“${filled.wantedOf}” is no substance of this plan: ${wanted?.name ?? 'the product'} is taken. Name one of those in the pot.`,
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
    ...pairAdvice(at, filled.model),
    ...when(
      estimated,
      'estimated',
      'open',
      'Where no vapour-pressure constants are on record, the curve rests on the boiling point and Hass and Newton’s equation for the class of liquid.',
    ),
  ]
}
