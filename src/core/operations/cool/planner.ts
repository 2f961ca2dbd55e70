import { baths } from './baths'
import { taking } from '../taken'
import { timeFactor } from '../../quantity/timeFactor'
import { fillMLIn, vesselDuring } from '../vessel/stoodAt'
import { timeInBand } from '../vessel/timeInBand'
import { fact, ofPlan, planner, rough, unknown, usual, when } from '../planner'
import { blank, oneOf } from '../fields'

/** A bath that covers the liquid in its flask and lasts: two grams of ice to the millilitre that is cooled, and never less than fills a small beaker; judgement. */
const iceGPerML = 2
const leastIceG = 150

const fields = [
  oneOf('bath', 'bath', Object.keys(baths)),
  blank('toC', 'cool to below', '°C', -40, 150),
  blank('minutes', 'time when tried', 'min', 0.1, 600),
  blank('triedML', 'volume when tried', 'mL', 0.1, 20_000),
] as const

/** Cooling: in what, how long, and how much longer at another scale. */
export const cooling = planner({
  of: 'cool',
  title: 'Cooling',
  sentences: (say) => [
    say`Cool in ${'bath'} to below ${'toC'}, ${'@holdMin'} on the clock; when it was tried, ${'minutes'} were enough for ${'triedML'}.`,
  ],
  fields,
  suggest: (context) => {
    const { step } = context
    const volumeML = fillMLIn(vesselDuring(context))
    return {
      bath: usual('ice and water', 'the bath of most coolings'),
      toC: usual(5, 'what ice and water reach'),
      minutes:
        step.kind === 'hold' && step.holdMin > 0
          ? ofPlan(step.holdMin, 'the clock of this step')
          : ofPlan(Math.max(1, step.waitMin || step.handsOnMin), 'the minutes of this step'),
      triedML:
        volumeML > 0
          ? ofPlan(rough(volumeML), 'what is in the vessel now')
          : unknown(50, 'how much is in the vessel is not known'),
    }
  },
  takes: (context, { bath, triedML }) => {
    const volumeML = fillMLIn(vesselDuring(context))
    if (bath === 'cold water') return [taking('bath')]
    const iceG = Math.max(leastIceG, Math.ceil((iceGPerML * (volumeML || triedML)) / 50) * 50)
    return [taking('bath'), taking('ice', iceG, { unit: 'g' })]
  },
  report: (context, filled) => {
    const { step, measured } = context
    const bath = baths[filled.bath] ?? baths['ice and water']!
    const triedML = filled.triedML
    // What has crystallised or been poured has no volume on the plan: then it is the one it was tried at.
    const volumeML = fillMLIn(vesselDuring(context)) || triedML
    const factor = timeFactor(volumeML / triedML)
    const toC = filled.toC
    const readings = measured?.temperatures[step.id] ?? []
    return {
      facts: [
        fact('minutes', 'time for this volume', filled.minutes * factor, 'min', 0, {
          how: `${filled.minutes} min × ∛(${rough(volumeML)}/${triedML}): surface grows slower than volume`,
          atBench: true,
        }),
        ...(readings.length > 1
          ? [
              fact('below', `below ${toC} °C`, timeInBand(readings, { lowC: -273, highC: toC }).insideMin, 'min', 0, {
                atBench: true,
              }),
            ]
          : []),
      ],
      advice: [
        {
          id: 'bath',
          level: 'open',
          words: `${filled.bath[0]!.toUpperCase()}${filled.bath.slice(1)}: ${bath.made}.`,
          why: `it stands at about ${bath.atC} °C`,
        },
        ...when(
          toC <= bath.atC + 2,
          'too-warm',
          'doubt',
          `That bath stands at about ${bath.atC} °C and does not bring the flask below ${toC} °C in a useful time. Take a colder one.`,
        ),
      ],
    }
  },
})
