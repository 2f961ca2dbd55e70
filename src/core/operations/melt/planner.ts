import { substanceOfSample } from '../../plan/plan'
import { writeNumber } from '../../quantity/write'
import { meltingReading } from './meltingReading'
import { calibrationOf, correctedC } from './calibration'
import { mixedMelting, purificationGain } from './compareRanges'
import { impurityFromDepression } from './impurity'
import { heatedTooFast } from './rules'
import { lagAt, rampFor } from './ramp'
import { fact, ofLab, ofRecord, planner, unknown, usual, when, type Advice, type Context, type Fact } from '../planner'
import { blank, oneOf, type Blanks } from '../fields'

/** The calibration of the apparatus that the blanks name; null where it has none. */
export function calibrationHere({ lab }: Context, filled: Pick<MeltBlanks, 'instrument'>) {
  const instrument = lab.instruments.find(({ id }) => id === filled.instrument)
  return instrument && instrument.standards.length > 0 ? { instrument, line: calibrationOf(instrument.standards) } : null
}

/** A pair of blanks for a range; 0 and 0 where it was not taken. */
const range = <const A extends string, const B extends string>(onset: A, clear: B, of: string) =>
  [
    blank(onset, `${of}: first liquid`, '°C', 0, 500, 'not taken'),
    blank(clear, `${of}: last solid gone`, '°C', 0, 500, 'not taken'),
  ] as const

const fields = [
  blank('lowC', 'literature, from', '°C', -50, 500),
  blank('highC', 'literature, to', '°C', -50, 500),
  blank('perMin', 'heating rate', '°C/min', 0.1, 50),
  oneOf('instrument', 'apparatus', [['', 'an apparatus without calibration'] as readonly [string, string]], ({ instruments }) =>
    instruments.map(({ id, name }) => ({ value: id, words: name })),
  ),
  ...range('crudeOnset', 'crudeClear', 'crude'),
  ...range('onsetC', 'clearC', 'purified'),
  ...range('mixedOnset', 'mixedClear', 'mixed'),
  blank('fusion', 'heat of fusion', 'kJ/mol', 0, 200, 'not known'),
] as const

export type MeltBlanks = Blanks<typeof fields>

const taken = (onsetC: number, clearC: number) => (clearC > 0 ? { onsetC, clearC } : null)

/** What the figures and the advice of a step both rest on. */
function worksOut(context: Context, filled: MeltBlanks) {
  const { lowC, highC, perMin, fusion } = filled
  const ramp = rampFor(lowC, highC)
  const calibrated = calibrationHere(context, filled)
  const line = calibrated?.line
  const put = (read: { onsetC: number; clearC: number } | null) =>
    read && (line ? { onsetC: correctedC(line, read.onsetC).celsius, clearC: correctedC(line, read.clearC).celsius } : read)
  const [crude, purified, mixed] = [
    put(taken(filled.crudeOnset, filled.crudeClear)),
    put(taken(filled.onsetC, filled.clearC)),
    put(taken(filled.mixedOnset, filled.mixedClear)),
  ]
  const reading = purified && purified.clearC >= purified.onsetC ? meltingReading(purified, { lowC, highC }) : null
  const span = (of: { onsetC: number; clearC: number }) => `${writeNumber(of.onsetC, 1)}–${writeNumber(of.clearC, 1)} °C`
  const outside = line && [highC, lowC].some((atC) => correctedC(line, atC).extrapolated)
  return { lowC, highC, perMin, fusion, ramp, calibrated, line, crude, purified, mixed, reading, span, outside }
}

type Worked = ReturnType<typeof worksOut>

/** The figures that follow. */
function factsOf(at: Worked): Fact[] {
  const { highC, fusion, ramp, calibrated, line, purified } = at
  return [
    fact('fast-to', 'fast to', ramp.fastToC, '°C', 0, { atBench: true }),
    fact('slow', 'then slowly for', ramp.slowMin, 'min', 0, {
      how: `${writeNumber(ramp.slowToC - ramp.slowFromC, 0)} °C at 1.5 °C a minute`,
      atBench: true,
    }),
    ...(line && calibrated
      ? [
          fact(
            'at',
            `${calibrated.instrument.name} shows for ${writeNumber(highC, 0)} °C`,
            (highC - line.offsetC) / line.slope,
            '°C',
            1,
            {
              how: `true = ${writeNumber(line.offsetC, 2)} + ${writeNumber(line.slope, 4)}·read, ${calibrated.instrument.standards.length} standards${line.scatterC === null ? '' : `, scatter ${writeNumber(line.scatterC, 2)} °C`}`,
              atBench: true,
            },
          ),
        ]
      : []),
    ...(purified && fusion > 0
      ? [
          fact(
            'impurity',
            'impurity, at most dissolved in the melt',
            100 * impurityFromDepression(highC, purified.clearC, fusion),
            'mol %',
            1,
            { how: 'x = ΔH·ΔT/(R·T²), if it does not enter the crystal' },
          ),
        ]
      : []),
  ]
}

/** What to do and to doubt. */
function adviceOf(at: Worked): Advice[] {
  const { lowC, highC, perMin, ramp, calibrated, line, crude, purified, mixed, reading, span, outside } = at
  return [
    {
      id: 'ramp',
      level: 'open',
      words: `Fast to ${writeNumber(ramp.fastToC, 0)} °C, then 1–2 °C a minute to ${writeNumber(ramp.slowToC, 0)} °C: about ${writeNumber(ramp.slowMin, 0)} min. 2–3 mm, packed, in a closed capillary; a second one while the block cools.`,
    },
    ...when(
      perMin > 2,
      'fast',
      'doubt',
      `At ${writeNumber(perMin, 1)} °C a minute the reading runs about ${writeNumber(lagAt(perMin), 1)} °C ahead of the sample: 1–2 °C a minute.`,
    ),
    ...(calibrated
      ? outside
        ? [
            {
              id: 'outside',
              level: 'doubt' as const,
              words: `${calibrated.instrument.name} was checked from ${writeNumber(line!.fromC, 0)} to ${writeNumber(line!.toC, 0)} °C only: outside, its correction is carried on.`,
            },
          ]
        : []
      : [
          {
            id: 'uncalibrated',
            level: 'open' as const,
            words:
              'No standards on record for this apparatus: what it reads is taken as it is. They are written under Reference, The laboratory.',
          },
        ]),
    ...(purified && purified.clearC < purified.onsetC
      ? [{ id: 'order', level: 'doubt' as const, words: 'The last solid cannot be gone before the first liquid shows.' }]
      : []),
    ...(reading
      ? [
          {
            id: 'reading',
            level: reading.verdict === 'consistent with pure' ? ('good' as const) : ('doubt' as const),
            words: `${span(reading)} against ${writeNumber(lowC, 0)}–${writeNumber(highC, 0)} °C: ${reading.verdict}.`,
          },
        ]
      : []),
    ...(crude && purified
      ? [
          {
            id: 'gain',
            level: 'open' as const,
            words: `From ${span(crude)} to ${span(purified)}: ${writeNumber(purificationGain(crude, purified).higherC, 1)} °C higher, ${writeNumber(purificationGain(crude, purified).sharperC, 1)} °C sharper.`,
          },
        ]
      : []),
    ...(purified && mixed
      ? [
          {
            id: 'mixed',
            level: 'open' as const,
            words: `Mixed with an authentic sample ${span(mixed)}: ${mixedMelting(purified, mixed)}.`,
          },
        ]
      : []),
  ]
}

/** Melting: the ramp, the instrument's correction, the reading against the literature, crude against pure, mixed, and how impure. */
export const melting = planner({
  of: 'melt',
  title: 'Melting',
  sentences: (say) => [
    say`Melt ${'@sample'} at ${'perMin'} on ${'instrument'}; literature ${'lowC'} to ${'highC'}.`,
    say`Read: crude ${'crudeOnset'} to ${'crudeClear'}, purified ${'onsetC'} to ${'clearC'}, mixed with an authentic sample ${'mixedOnset'} to ${'mixedClear'}. Heat of fusion ${'fusion'}.`,
  ],
  fields,
  rules: [heatedTooFast],
  suggest: ({ plan, step, lab }) => {
    const sample = step.kind === 'melt' ? step.sample : ''
    const literature = substanceOfSample(plan, sample)
    const end = (of: 'lowC' | 'highC', nothing: number) =>
      literature?.melting
        ? ofRecord(literature.melting[of], `melting point of ${literature.name}`)
        : unknown(nothing, `no melting point of ${literature?.name ?? 'this sample'} is on record`)
    const notYet = unknown(0, 'it stands on the tablet when it has been read')
    return {
      lowC: end('lowC', 100),
      highC: end('highC', 102),
      perMin: usual(1.5, 'one to two degrees a minute'),
      instrument: ofLab(lab.instruments[0]?.id ?? '', 'the first of its apparatus'),
      crudeOnset: notYet,
      crudeClear: notYet,
      onsetC: notYet,
      clearC: notYet,
      mixedOnset: notYet,
      mixedClear: notYet,
      fusion: unknown(0, 'the heat of fusion is not on record'),
    }
  },
  report: (context, filled) => {
    const at = worksOut(context, filled)
    const facts = factsOf(at)
    const advice = adviceOf(at)
    return { facts, advice }
  },
})
