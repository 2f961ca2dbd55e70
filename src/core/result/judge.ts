import { writeBand, writeNumber } from '../quantity/write'
import { thresholds } from './thresholds'
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
  /** The part of the theory that an equilibrium allows, where nothing is removed; null where there is none. */
  ceiling?: number | null
  /** Standard uncertainty of the fraction, as a part of the whole. */
  u?: number
  /** Grams that the mother liquor is expected to hold. */
  inLiquorG: number | null
  /** Grams that the fraction counts from. */
  wholeG: number | null
}

/** A sharp range at the wrong place: far off it is another substance, near it may be the instrument, which one bench cannot tell. */
export function offWords({ verdict, offC }: Pick<MeltingReading, 'verdict' | 'offC'>): string {
  const where = verdict === 'sharp but high' ? 'Sharp but high' : 'Sharp but low'
  return offC >= thresholds.otherSubstanceC ? `${where}: another substance?` : `${where}: compare with the class`
}

function offEvidence({ offC }: Pick<MeltingReading, 'offC'>): string {
  return offC >= thresholds.otherSubstanceC
    ? `It lies ${writeNumber(offC, 0)} °C off: consistent with another substance, such as the starting material or another form, not with an instrument. A mixed melting point settles it.`
    : 'One bench cannot tell: if the whole class is shifted alike, consistent with an instrument that needs calibrating; if this one alone, with another substance or a wrong reading.'
}

/** More than is expected, or than the equilibrium allows: undefined where it is not. */
function moreThan(
  fraction: number,
  expected: Judged['expected'],
  ceiling: number | null,
  u: number,
): { words: string; evidence: string } | undefined {
  const room = Math.max(thresholds.moreAbove, thresholds.coverage * u)
  if (ceiling !== null && fraction > ceiling + room)
    return {
      words: 'More than the equilibrium allows: solvent or water left?',
      evidence: `Where nothing is removed the equilibrium allows ${writeNumber(100 * ceiling, 0)} %: consistent with solvent, water or starting material in it, or with product that was driven over while it formed.`,
    }
  if (expected !== null && fraction > expected.high + room)
    return {
      words: 'More than expected: solvent or water left?',
      evidence: `At most ${writeNumber(100 * expected.high, 0)} % is expected: consistent with solvent, water or salts left in it. Dry it, weigh again, and look at its purity.`,
    }
  return undefined
}

/**
 * Reads the pair of yield and melting range: high and sharp at literature is good; high with a low, broad range is wet or impure; low and
 * sharp is loss in the work-up; low and broad is an incomplete reaction or the wrong layer; sharp but shifted is the instrument.
 */
export function judge({
  fraction,
  kind,
  dry,
  melts,
  melting,
  expected,
  ceiling = null,
  u = 0,
  inLiquorG,
  wholeG,
}: Judged): Judgement {
  if (fraction === null)
    return { level: 'open', words: 'No product weighed yet', evidence: `A ${kind} needs the mass of the product.` }
  const percent = `${writeNumber(100 * fraction, 0)} %`
  const range = melting
    ? `${writeNumber(melting.onsetC, 1)}–${writeNumber(melting.clearC, 1)} °C against ${writeBand(melting.literature.lowC, melting.literature.highC)} °C`
    : 'no melting range'
  const name = kind === 'yield' ? 'Yield' : 'Recovery'
  const evidence = melts
    ? `${name} ${percent}${dry ? '' : ', not dried to constant mass'}; melts ${range}.`
    : `${name} ${percent}; ${expected ? `${writeNumber(100 * expected.low, 0)}–${writeNumber(100 * expected.high, 0)} % are expected` : 'the plan does not say what to expect'}.`
  if (fraction > 1 + thresholds.coverage * u) {
    return {
      level: 'danger',
      words:
        melting && melting.verdict !== 'consistent with pure'
          ? 'Above 100 %: consistent with wet'
          : 'Above 100 %: ask before accepting',
      evidence: `${evidence} ${kind === 'yield' ? 'More than theory allows' : 'More than was put in'}: wet, salts, a tare forgotten or the wrong limiting reagent. Dry it further and weigh again.`,
    }
  }
  const low = expected !== null && fraction < expected.low - thresholds.littleBelow - 1e-9
  const more = moreThan(fraction, expected, ceiling, u)
  if (more && (!melts || (dry && melting?.verdict !== 'low and broad')))
    return { level: 'doubt', words: more.words, evidence: `${evidence} ${more.evidence}` }
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
    const worthwhile = share > thresholds.liquor
    return {
      level: 'doubt',
      words: worthwhile
        ? `Pure but little: about ${writeNumber(inLiquorG!, 1)} g in the mother liquor`
        : 'Pure but little: losses in the work-up',
      evidence: `${evidence} Consistent with losses in the work-up.${worthwhile ? ` At the solvent used, about ${writeNumber(inLiquorG!, 2)} g stays dissolved cold; boil the liquor down for a second crop.` : ''}`,
    }
  }
  if (melting.verdict === 'sharp but high' || melting.verdict === 'sharp but low') {
    return { level: 'doubt', words: offWords(melting), evidence: `${evidence} ${offEvidence(melting)}` }
  }
  if (melting.verdict === 'high and broad')
    return {
      level: 'doubt',
      words: 'High and broad: heated too fast?',
      evidence: `${evidence} Impurity lowers a melting range and never raises it: consistent with heating too fast, an instrument that reads high, or another substance. Melt again at 1 °C/min.`,
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
