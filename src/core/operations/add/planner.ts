import { writeNumber } from '../../quantity/write'
import { typedFor } from '../../plan/typedFor'
import { timeFactor } from '../../quantity/timeFactor'
import { partsUsed } from '../../plan/partsUsed'
import { isWatery } from '../vessel/watery'
import { boilsHere } from '../vessel/saysBoiling'
import { liquidMLIn, vesselDuring } from '../vessel/stoodAt'
import { pressureMmHg } from '../../lab/lab'
import { boilsOff, minutesToCarry } from './carriedAway'
import { additionRate, dropsML, pauseRule } from './additionRate'
import { adiabaticRise } from './adiabaticRise'
import { initiationLadder, initiationMin } from './initiation'
import { heatHere } from '../vessel/heatHere'
import { fact, ofPlan, ofRecord, planner, rough, unknown, usual, when, type Advice, type Context } from '../planner'
import { blank, oneOf } from '../fields'

const fields = [
  blank('volumeML', 'volume that goes in', 'mL', 0.01, 20_000),
  blank('minutes', 'time of the addition', 'min', 0.1, 600),
  blank('ceilingC', 'highest temperature', '°C', -40, 200),
  blank('startC', 'temperature at the start', '°C', -80, 200),
  blank('mmol', 'amount that reacts', 'mmol', 0, 1e6),
  blank('heat', 'heat given off', 'kJ/mol', 0, 2000, 'an unknown number of'),
  blank('cp', 'heat capacity of what is in the flask', 'J/(g·K)', 0, 10, 'an unknown heat'),
  oneOf('initiates', 'how it begins', [
    ['no', 'begins at once'],
    ['yes', 'must set itself off'],
  ]),
] as const

/** The line that goes in at this step, and how much of it. */
function goingIn({ table, step }: Context) {
  return partsUsed(step)
    .flatMap(({ line: id, part }) => {
      const found = table.lines.find(({ line }) => line.id === id)
      return found
        ? [
            {
              name: found.substance.name,
              mL: (found.volume?.value ?? 0) * part,
              mmol: (found.amount?.value ?? 0) * part,
              limiting: found.limiting,
              watery: isWatery(found),
            },
          ]
        : []
    })
    .sort((a, b) => b.mL - a.mL)
}

/** How far a rise may lie below and above, as parts of it: by the span of the heat and of the heat capacity, where they are those on record; what was typed is taken as it stands. */
function spanOf(context: Context, heat: number, cp: number): [low: number, high: number] {
  const { heat: found, capacity } = heatHere(context)
  const { low, likely, high } = found?.kJ ?? { low: heat, likely: heat, high: heat }
  const onRecord = heat === rough(likely) && heat > 0
  const spread = capacity && rough(capacity.cp) === cp ? capacity.spread : 0
  return [(onRecord ? low / heat : 1) * (1 - spread), (onRecord ? high / heat : 1) * (1 + spread)]
}

/** What all of it at once would do: pass the temperature that the author allows, or boil. No ceiling is taken that nobody has written. */
function tooHot(
  context: Context,
  { ceilingC, startC, joules, risesK }: { ceilingC: number; startC: number; joules: number; risesK: number },
): Advice[] {
  const vessel = vesselDuring(context)
  const boil = boilsHere(vessel, context.lab)
  const boilsC = 'atC' in boil ? boil.atC : Infinity
  const typed = typedFor(context.step).ceilingC !== undefined
  const reaches = startC + risesK
  if (reaches <= boilsC && !(typed && reaches > ceilingC)) return []
  const minutes = minutesToCarry(joules, liquidMLIn(vessel), Math.min(ceilingC, boilsC))
  const spread = `Add it over at least ${writeNumber(Math.max(1, Math.ceil(minutes)), 0)} min, in ice, stirring.`
  const why = 'adiabatic rise, with nothing led away; the minutes are those in which a bath of ice carries it off'
  if (!('atC' in boil) || reaches <= boilsC)
    return [
      {
        id: 'hot',
        level: 'danger',
        words: `All at once it could reach ${writeNumber(reaches, 0)} °C, above the ${ceilingC} °C allowed. ${spread}`,
        why,
      },
    ]
  const { mL, vapourL } = boilsOff(joules * (1 - (boilsC - startC) / risesK), boil.main, boilsC, pressureMmHg(context.lab))
  return [
    {
      id: 'hot',
      level: 'danger',
      words: `All at once it would boil, at ${writeNumber(boilsC, 0)} °C${typed ? `, above the ${ceilingC} °C allowed` : ''}: up to ${writeNumber(mL, mL < 1 ? 1 : 0)} mL of ${boil.main.name}, ${writeNumber(vapourL, 1)} L of vapour. ${spread}`,
      why,
    },
  ]
}

/** Adding over a time: how fast, up to which temperature, when to pause, how hot it could become. */
export const adding = planner({
  of: 'add',
  title: 'Adding',
  sentences: (say) => [
    say`Add ${'volumeML'} over ${'minutes'}, never above ${'ceilingC'}, beginning at ${'startC'}.`,
    say`What is added reacts with ${'mmol'} and gives off ${'heat'}; it ${'initiates'}. What is in the flask takes up ${'cp'}.`,
  ],
  fields,
  doubts: { hot: 'Hotter than is allowed' },
  suggest: (context) => {
    const { step, table } = context
    const [first] = goingIn(context)
    const { heat: warms, untold, capacity } = heatHere(context)
    const reacts = warms?.mmol ?? Math.min(first?.mmol || Infinity, table.extent?.value ?? 0)
    const grignard = context.plan.substances.some(({ formula }) => formula === 'Mg')
    return {
      volumeML: first?.mL
        ? ofPlan(rough(first.mL), `volume of ${first.name} that goes in here`)
        : unknown(1, 'the step names nothing that has a volume'),
      minutes: ofPlan(Math.max(1, step.handsOnMin), 'the minutes of hands on of this step'),
      ceilingC: usual(40, 'nobody has said how hot it may become'),
      startC: usual(20, 'the room'),
      mmol: ofPlan(
        rough(reacts),
        warms ? `${warms.between}, as far as the scarcer goes` : 'no more than goes in, and no more than the reaction can turn',
      ),
      heat: warms
        ? ofRecord(rough(warms.kJ.likely), `${warms.says}, ${warms.source}`)
        : unknown(0, untold ? `the heat of ${untold} is not on record` : 'the heat of this reaction is not on record'),
      cp: capacity
        ? ofRecord(
            rough(capacity.cp),
            `what is in the flask, each part by its mass, to within ${writeNumber(100 * capacity.spread, 0)} %`,
          )
        : unknown(0, 'something in the flask has no mass on record'),
      // A Grignard reagent begins when it likes.
      initiates: grignard ? ofPlan('yes', 'magnesium stands in the plan') : usual('no', 'most additions begin at once'),
    }
  },
  report: (context, filled) => {
    const { step, measured } = context
    const { volumeML: mL, minutes, ceilingC, startC } = filled
    const dropML = goingIn(context)[0]?.watery === false ? dropsML.organic : dropsML.watery
    const { mLPerMin, dropsPerS } = additionRate(mL, minutes, dropML)
    const pause = pauseRule(ceilingC)
    const grams = heatHere(context).capacity?.grams ?? 0
    const cp = filled.cp
    const [mmol, heat] = [filled.mmol, filled.heat]
    const rise = heat > 0 && cp > 0 && grams > 0 ? adiabaticRise(mmol, heat, [{ g: grams, cp }]) : null
    const [low, high] = spanOf(context, heat, cp)
    const shown = measured?.temperatures[step.id]?.at(-1)?.celsius
    const advice: Advice[] = [
      ...when(
        shown !== undefined && shown > ceilingC,
        'above',
        'danger',
        `${writeNumber(shown ?? 0, 0)} °C is above ${ceilingC} °C: stop adding, ice round the flask, and go on only below ${pause.goOnBelowC} °C.`,
      ),
      ...when(
        shown !== undefined && shown <= ceilingC && shown >= pause.stopAtC,
        'near',
        'doubt',
        `${writeNumber(shown ?? 0, 0)} °C: stop the drops until it is below ${pause.goOnBelowC} °C.`,
      ),
      ...(mmol > 0
        ? [
            {
              id: 'pause',
              level: 'open' as const,
              words: `Stop the drops at ${pause.stopAtC} °C, and go on below ${pause.goOnBelowC} °C.`,
              why: 'what is already in still has its heat to give',
            },
          ]
        : [{ id: 'no-heat', level: 'open' as const, words: 'Nothing that reacts goes in here: pour it in portions, swirling.' }]),
      ...(rise === null ? [] : tooHot(context, { ...filled, joules: high * mmol * heat, risesK: rise * high })),
      ...when(
        rise === null && mmol > 0,
        'heat-unknown',
        'open',
        heat > 0
          ? 'The heat capacity of what is in the flask is not given, so how hot it could become is not known. Write it in J/(g·K): acids and organic liquids have far less than water, and become hotter.'
          : 'The heat of this reaction is not given, so how hot it could become is not known. Write it in kJ/mol where you have it.',
      ),
      ...when(startC >= ceilingC, 'start', 'doubt', 'It begins at or above the highest temperature allowed: cool it first.'),
      ...when(
        filled.initiates === 'yes',
        'initiation',
        'doubt',
        `Allow ${initiationMin.least} to ${initiationMin.most} min for it to begin, and add no more than a tenth before it has.`,
        'what is collected reacts all at once',
      ),
    ]
    return {
      facts: [
        fact('rate', 'rate', mLPerMin, 'mL/min', 2, {
          how: `${writeNumber(mL, 1)} mL ÷ ${writeNumber(minutes, 0)} min`,
          atBench: true,
        }),
        fact('drops', 'drops', dropsPerS, 'a second', dropsPerS < 0.1 ? 2 : 1, {
          how: `${dropML} mL to the drop`,
          atBench: true,
        }),
        ...(rise === null
          ? []
          : [
              fact('rise', 'rise if no heat left it', rise, 'K', 0, {
                how: `n·(−ΔH)/Σ(m·c) = ${writeNumber(mmol, 1)} mmol × ${writeNumber(heat, 0)} kJ/mol over ${writeNumber(grams, 0)} g; c = ${writeNumber(cp, 2)} J/(g·K)${high > 1 ? `; between ${writeNumber(rise * low, 0)} and ${writeNumber(rise * high, 0)} K` : ''}`,
              }),
            ]),
        fact('double', 'time at twice the scale', minutes * timeFactor(2), 'min', 0, {
          how: `${writeNumber(minutes, 0)} min × ∛2, at equal cooling`,
        }),
      ],
      advice,
      ...(filled.initiates === 'yes'
        ? {
            ladder: {
              title: 'If it does not begin, in this order',
              rungs: initiationLadder.map(({ words, waitMin }) => (waitMin ? `${words} ${waitMin} min.` : words)),
            },
          }
        : {}),
    }
  },
})
