import { uncapital } from '../words/capital'
import type { ClassResults, ResultRow } from '../classroom/classResults'
import type { Folded } from '../classroom/foldClass'
import { writeNumber } from '../quantity/write'
import { checkArithmetic } from '../result/arithmetic/checkArithmetic'
import { printed } from '../words/words'
import { criterionKeys, partOf, type Criterion, type Scheme } from './scheme'

/** What the record says of one criterion: points, or null where only a person can judge, and what they rest on. */
export interface Proposal {
  criterion: Criterion
  points: number | null
  of: number
  evidence: string
}

/** How much of its points a melting range gets by what it says; *consistent with*, so a person decides. */
const purityParts = {
  'consistent with pure': 1,
  'sharp but high': 0.75,
  'sharp but low': 0.75,
  broad: 0.6,
  'high and broad': 0.5,
  'low and broad': 0.4,
} as const

type Found = { part: number | null; evidence: string }

/** Proposals for a run, one for each criterion that is judged, in their order. They propose; a person decides. */
export function proposalsFor(folded: Folded, row: ResultRow, results: ClassResults, scheme: Scheme): Proposal[] {
  const of: Record<Criterion, () => Found> = {
    record: () => recordOf(folded),
    arithmetic: () => arithmeticOf(folded),
    yield: () => yieldOf(row, results, scheme),
    purity: () => purityOf(row),
    safety: () => safetyOf(folded),
    report: () => ({ part: null, evidence: 'A person reads it.' }),
  }
  return criterionKeys
    .filter((criterion) => scheme.points[criterion] > 0)
    .map((criterion) => {
      const { part, evidence } = of[criterion]()
      const all = scheme.points[criterion]
      // Halves of a point: finer than anybody can justify.
      return { criterion, points: part === null ? null : Math.round(2 * part * all) / 2, of: all, evidence }
    })
}

function recordOf({ state }: Folded): Found {
  const open = state.steps.filter(({ status }) => status !== 'done').map(({ step }) => printed(step.title))
  const unsigned = state.steps
    .filter(({ signature }) => signature.state === 'due' || signature.state === 'void')
    .map(({ step }) => printed(step.title))
  const twice = state.steps.filter((each) => each.twice.length > 0).map(({ step }) => printed(step.title))
  const lacks = [
    ...(open.length > 0 ? [`not finished: ${open.join(', ')}`] : []),
    ...(unsigned.length > 0 ? [`not signed: ${unsigned.join(', ')}`] : []),
    ...(twice.length > 0 ? [`two figures: ${twice.join(', ')}`] : []),
  ]
  const struck = state.steps.reduce((sum, each) => sum + each.struck.length, 0)
  return {
    part: Math.max(0, 1 - (open.length + 0.5 * unsigned.length + 0.5 * twice.length) / Math.max(1, state.steps.length)),
    evidence:
      lacks.length === 0
        ? `All ${state.steps.length} steps are written down${struck > 0 ? `; ${struck === 1 ? 'one reading' : `${struck} readings`} struck with the reason, as it should be` : ''}.`
        : `${lacks.join('; ')}.`,
  }
}

function arithmeticOf({ state, results }: Folded): Found {
  if (!state.worked) return { part: null, evidence: 'The group has worked out nothing by itself yet.' }
  const checked = checkArithmetic(state, results, state.worked)
  if (checked.length === 0) return { part: null, evidence: 'Nothing of what they worked out can be compared yet.' }
  const good = checked.filter(({ ok, follows }) => ok || follows)
  const wrong = checked.filter(({ ok, follows }) => !ok && !follows)
  return {
    part: good.length / checked.length,
    evidence:
      wrong.length === 0
        ? `${checked.length} of ${checked.length} right.`
        : `${good.length} of ${checked.length} right. ${wrong.map(({ of: what, typed, right, slip }) => `${what}: ${typed} for ${right}. ${slip ?? 'Why, nobody can tell from the figure.'}`).join(' ')}`,
  }
}

function yieldOf({ result, product, excluded }: ResultRow, { medianResult }: ClassResults, { bands }: Scheme): Found {
  if (!result || medianResult === null || medianResult <= 0) return { part: null, evidence: 'There is no yield to compare.' }
  const percent = `${writeNumber(100 * result.fraction.value, 0)} %, median ${writeNumber(100 * medianResult, 0)} %`
  if (excluded) return { part: null, evidence: `${percent}; it does not count for the class: ${excluded.reason}.` }
  if (result.fraction.value > 1) return { part: null, evidence: `${percent}: more than there can be, so a person judges.` }
  if (product && !product.dry) return { part: null, evidence: `${percent}, not dried to constant mass: a person judges.` }
  return { part: partOf(bands, result.fraction.value / medianResult), evidence: `${percent}.` }
}

function purityOf({ melting, outcomes }: ResultRow): Found {
  if (melting)
    return {
      part: purityParts[melting.verdict],
      evidence: `Melts ${writeNumber(melting.onsetC, 1)}–${writeNumber(melting.clearC, 1)} °C: ${melting.verdict}.`,
    }
  const others = outcomes.filter(
    ({ quantity, judgement }) =>
      ['boiling range', 'refractive index', 'purity'].includes(quantity) && judgement && judgement.level !== 'open',
  )
  if (others.length === 0) return { part: null, evidence: 'Nothing says how pure it is.' }
  const good = others.filter(({ judgement }) => judgement!.level === 'good').length
  return {
    part: 0.4 + (0.6 * good) / others.length,
    evidence:
      others.map(({ quantity, text, judgement }) => `${quantity} ${text}: ${uncapital(judgement!.words)}`).join('; ') + '.',
  }
}

/** Safety is what was read and signed; what happened is never held against whoever said it. */
function safetyOf({ state }: Folded): Found {
  const read = state.steps.filter(({ step }) => step.kind === 'safety')
  const done = read.every(({ status }) => status === 'done')
  const said = state.calls.filter(({ entry }) => entry.kind === 'incident').length
  return {
    part: done ? 1 : 0,
    evidence: `${done ? 'The safety page was read.' : 'The safety page was not read.'}${said > 0 ? ` ${said === 1 ? 'Something that happened was' : `${said} things that happened were`} said at once, which is right and costs nothing.` : ''} What was seen in the room a person adds.`,
  }
}
