import { writeNumber } from '../../quantity/write'
import { timeFactor } from '../../quantity/timeFactor'
import { partsUsed } from '../../plan/partsUsed'
import { isWatery } from '../vessel/watery'
import { additionRate, dropsML, pauseRule } from './additionRate'
import { adiabaticRise } from './adiabaticRise'
import { initiationLadder, initiationMin } from './initiation'
import { heatOf, saysHeat } from '../../reaction/heats'
import { heatSource } from '../../reaction/heatTable'
import { gramsIn } from '../vessel/inVessel'
import { heatCapacityIn } from './heatCapacity'
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

/** The reaction that what goes in here is known to set off; where the step names no line, whatever is there is put together in it. */
function heatHere({ now, step }: Context) {
  const named = partsUsed(step).map(({ line }) => line)
  return heatOf(now.contents, named.length > 0 ? named : now.contents.map(({ line }) => line.id))
}

/** How far a rise may lie below and above, as parts of it: by the span of the heat and of the heat capacity, where they are those on record; what was typed is taken as it stands. */
function spanOf(context: Context, heat: number, cp: number): [low: number, high: number] {
  const warms = heatHere(context)
  const capacity = heatCapacityIn(context.now.contents)
  const [least, usualHeat, most] = warms?.kJ ?? [heat, heat, heat]
  const onRecord = heat === rough(usualHeat) && heat > 0
  const spread = capacity && rough(capacity.cp) === cp ? capacity.spread : 0
  return [(onRecord ? least / heat : 1) * (1 - spread), (onRecord ? most / heat : 1) * (1 + spread)]
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
    const capacity = heatCapacityIn(context.now.contents)
    const warms = heatHere(context)
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
        warms
          ? `${warms.from.map(({ substance }) => substance.name).join(' with ')}, as far as the scarcer goes`
          : 'no more than goes in, and no more than the reaction can turn',
      ),
      heat: warms
        ? ofRecord(rough(warms.kJ[1]), `${saysHeat(warms)}, ${heatSource}`)
        : unknown(0, 'the heat of this reaction is not on record'),
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
    const { now, step, measured } = context
    const { volumeML: mL, minutes, ceilingC, startC } = filled
    const dropML = goingIn(context)[0]?.watery === false ? dropsML.organic : dropsML.watery
    const { mLPerMin, dropsPerS } = additionRate(mL, minutes, dropML)
    const pause = pauseRule(ceilingC)
    const grams = gramsIn(now)
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
      ...(rise !== null && startC + rise * high > ceilingC
        ? [
            {
              id: 'hot',
              level: 'danger' as const,
              words: `All at once it could reach ${writeNumber(startC + rise * high, 0)} °C, above the ${ceilingC} °C allowed. Only cooling and slowness hold it: add over at least ${writeNumber(minutes, 0)} min, ice at hand.`,
              why: 'adiabatic rise, with nothing led away',
            },
          ]
        : []),
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
