import { writeNumber } from '../quantity/write'
import type { MeltingReading } from '../operations/melt/meltingReading'

/** A reading of a result in words: never a verdict about people, always *consistent with*, always with its evidence. */
export interface Judgement {
  level: 'good' | 'doubt' | 'danger' | 'open'
  /** A few words for a table. */
  words: string
  /** What it rests on, and what to do. */
  evidence: string
}

export interface Judged {
  /** Fraction of the theoretical yield, or of what was put in. */
  fraction: number | null
  kind: 'yield' | 'recovery'
  dry: boolean
  /** False for a liquid, which is judged without a melting range. */
  melts: boolean
  melting: MeltingReading | null
  /** Null where the plan does not say: then nothing counts as little. */
  expected: { low: number; high: number } | null
  /** Grams that the mother liquor is expected to hold. */
  inLiquorG: number | null
  /** Grams that the fraction counts from. */
  wholeG: number | null
}

/**
 * Reads the pair of yield and melting range: high and sharp at literature is good; high with a low, broad range is wet or impure; low and
 * sharp is loss in the work-up; low and broad is an incomplete reaction or the wrong layer; sharp but shifted is the instrument.
 */
export function judge({ fraction, kind, dry, melts, melting, expected, inLiquorG, wholeG }: Judged): Judgement {
  if (fraction === null)
    return { level: 'open', words: 'No product weighed yet', evidence: `A ${kind} needs the mass of the product.` }
  const percent = `${writeNumber(100 * fraction, 0)} %`
  const range = melting
    ? `${writeNumber(melting.onsetC, 1)}–${writeNumber(melting.clearC, 1)} °C against ${melting.literature.lowC}–${melting.literature.highC} °C`
    : 'no melting range'
  const name = kind === 'yield' ? 'Yield' : 'Recovery'
  const evidence = melts
    ? `${name} ${percent}${dry ? '' : ', not dried to constant mass'}; melts ${range}.`
    : `${name} ${percent}; ${expected ? `${writeNumber(100 * expected.low, 0)}–${writeNumber(100 * expected.high, 0)} % are expected` : 'the plan does not say what to expect'}.`
  if (fraction > 1) {
    return {
      level: 'danger',
      words:
        melting && melting.verdict !== 'consistent with pure'
          ? 'Above 100 %: consistent with wet'
          : 'Above 100 %: ask before accepting',
      evidence: `${evidence} ${kind === 'yield' ? 'More than theory allows' : 'More than was put in'}: wet, salts, a tare forgotten or the wrong limiting reagent. Dry it further and weigh again.`,
    }
  }
  const low = expected !== null && fraction < expected.low * 0.85
  if (!melts) {
    return low
      ? {
          level: 'doubt',
          words: 'Little: losses on the way?',
          evidence: `${evidence} Consistent with losses: hold-up of the apparatus, a layer that was not kept, or a window taken too narrow.`,
        }
      : expected
        ? { level: 'good', words: `${name} as expected`, evidence }
        : { level: 'open', words: `${name}: nothing to compare with`, evidence }
  }
  if (!dry) return { level: 'doubt', words: 'Not dry: weigh again', evidence: `${evidence} The last two weighings do not agree.` }
  if (!melting) return { level: 'open', words: 'Melting range still to come', evidence }
  if (melting.verdict === 'consistent with pure') {
    if (!low) return { level: 'good', words: 'Consistent with pure', evidence }
    const share = inLiquorG !== null && wholeG ? inLiquorG / wholeG : 0
    return {
      level: 'doubt',
      words:
        share > 0.1
          ? `Pure but little: about ${writeNumber(inLiquorG!, 1)} g in the mother liquor`
          : 'Pure but little: losses in the work-up',
      evidence: `${evidence} Consistent with losses in the work-up.${share > 0.1 ? ` At the solvent used, about ${writeNumber(inLiquorG!, 2)} g stays dissolved cold; boil the liquor down for a second crop.` : ''}`,
    }
  }
  if (melting.verdict === 'sharp but high' || melting.verdict === 'sharp but low') {
    return {
      level: 'doubt',
      words: `${melting.verdict === 'sharp but high' ? 'Sharp but high' : 'Sharp but low'}: check the instrument`,
      evidence: `${evidence} If the whole class is shifted alike, consistent with an instrument that needs calibrating.`,
    }
  }
  if (melting.verdict === 'broad')
    return {
      level: 'doubt',
      words: 'Broad: melt again at 1 °C/min',
      evidence: `${evidence} Consistent with heating too fast, or a little impurity or solvent.`,
    }
  return low
    ? {
        level: 'danger',
        words: 'Low and broad: incomplete reaction?',
        evidence: `${evidence} Consistent with an incomplete reaction, or product in the wrong layer.`,
      }
    : {
        level: 'doubt',
        words: 'Low and broad: wet or impure',
        evidence: `${evidence} Consistent with solvent left in, or impurity: dry it, or crystallise again.`,
      }
}
