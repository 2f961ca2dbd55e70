import { writeNumber } from '../../quantity/write'
import { timeInBand } from '../vessel/timeInBand'
import { boilsHere } from '../vessel/saysBoiling'
import { vesselDuring } from '../vessel/stoodAt'
import { fact, planner, usual, when } from '../planner'
import { blank, oneOf } from '../fields'

/** What each bath reaches at the most, °C, and how it is kept there. */
const baths: Readonly<Record<string, { mostC: number; kept: string }>> = {
  'a warm-water bath': { mostC: 90, kept: 'topped up with hot water, a thermometer in it' },
  'a boiling-water bath': { mostC: 100, kept: 'boiling gently, topped up with boiling water' },
  'a mantle': { mostC: 350, kept: 'a thermometer in the flask, the mantle on something that drops away' },
}

const fields = [
  blank('lowC', 'lower end of the band', '°C', -50, 400),
  blank('highC', 'upper end of the band', '°C', -50, 400),
  oneOf('bath', 'bath', Object.keys(baths)),
  oneOf('closed', 'flask', ['open or loosely stoppered', 'under a condenser']),
] as const

/** Heating without reflux: in what, between which temperatures, what would boil away, and how long it stood inside its band. */
export const holding = planner({
  of: 'heat',
  title: 'Heating and holding',
  sentences: (say) => [say`Hold it for ${'@holdMin'} between ${'lowC'} and ${'highC'} in ${'bath'}, the flask ${'closed'}.`],
  fields,
  suggest: (_context, typed) => ({
    lowC: usual(50, 'nobody has said how warm'),
    highC: usual(60, 'nobody has said how warm'),
    bath: usual(Number(typed.highC ?? 60) <= 90 ? 'a warm-water bath' : 'a mantle', 'water up to 90 °C, a mantle above'),
    closed: usual('open or loosely stoppered', 'a closed flask bursts'),
  }),
  report: (context, filled) => {
    const { step, lab, measured } = context
    const { lowC, highC } = filled
    const minutes = step.kind === 'hold' ? step.holdMin : Math.max(1, step.waitMin)
    const bath = baths[filled.bath] ?? baths['a mantle']!
    const readings = measured?.temperatures[step.id] ?? []
    const { insideMin, allMin } = timeInBand(readings, { lowC, highC })
    const lost =
      filled.closed === 'under a condenser'
        ? []
        : [boilsHere(vesselDuring(context), lab)].flatMap((boil) =>
            'atC' in boil && boil.atC < highC ? [`what is in it, ${boil.main.name} first (from ${Math.round(boil.atC)} °C)`] : [],
          )
    return {
      facts: [
        fact('least', 'inside the band at least', 0.8 * minutes, 'min', 0, {
          how: `four fifths of ${writeNumber(minutes, 0)} min`,
        }),
        ...(readings.length > 1
          ? [
              fact('inside', 'inside the band', insideMin, 'min', 0, {
                how: `of ${writeNumber(allMin, 0)} min between the first and the last of ${readings.length} readings`,
                atBench: true,
              }),
            ]
          : []),
      ],
      advice: [
        {
          id: 'bath',
          level: 'open',
          words: `${filled.bath[0]!.toUpperCase()}${filled.bath.slice(1)}, ${bath.kept}.`,
          why: 'the bath stands a few degrees above what is in the flask',
        },
        ...when(highC > bath.mostC, 'too-cold', 'doubt', `It stays below ${bath.mostC} °C: take another bath for ${highC} °C.`),
        ...when(highC <= lowC, 'band', 'doubt', 'The band ends below where it begins: give the lower end first.'),
        ...when(
          lost.length > 0,
          'boils-away',
          'doubt',
          `Boils away below ${writeNumber(highC, 0)} °C: ${lost.join(', ')}. Put a condenser on, or stay colder.`,
        ),
        ...when(
          readings.length > 1 && allMin >= minutes && insideMin < 0.8 * minutes,
          'outside',
          'doubt',
          `Inside the band for ${writeNumber(insideMin, 0)} of ${writeNumber(minutes, 0)} min: hold it longer.`,
        ),
      ],
    }
  },
})
