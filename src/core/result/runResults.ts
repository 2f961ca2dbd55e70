import type { Plan } from '../plan/plan'
import type { RunState } from '../run/foldRun'
import { baseResults, type BaseResults } from './baseResults'
import type { Judgement } from './judge'
import { resultName, type Asked, type Outcome, type Quantity } from './outcome'
import { quantities } from './quantities/registry'

export interface RunResults extends BaseResults {
  /** Every result that the plan wants and this run has measured. */
  outcomes: Outcome[]
}

/** A result that a plan wants, whether it is measured yet or not. */
export interface WantedResult {
  key: string
  quantity: Quantity
  sample: string
  of: string
  from: string
  counts?: Asked['counts']
}

/** The results that a plan wants: those that it names, and where it names none, all that its steps give. */
export function wantedResults(plan: Plan): WantedResult[] {
  const all = quantities.flatMap((quantity) =>
    quantity.asked(plan).map((asked): WantedResult => ({
      key: `${quantity.id} ${asked.sample || asked.of} ${asked.from}`.trim(),
      quantity,
      ...asked,
    })),
  )
  const once = all.filter(({ key }, index) => all.findIndex((other) => other.key === key) === index)
  const { wants } = plan
  if (!wants) return once
  return once.filter(({ quantity, sample }) =>
    wants.some((want) => want.quantity === quantity.id && (want.sample === undefined || want.sample === sample)),
  )
}

/** All results of one run. */
export function runResults(run: RunState): RunResults {
  const base = baseResults(run)
  const outcomes = wantedResults(run.plan).flatMap(({ key, quantity, sample, of, from, counts }): Outcome[] => {
    const found = quantity.measure(run, base, { sample, of, from, ...(counts ? { counts } : {}) })
    if (!found) return []
    return [
      {
        key,
        quantity: quantity.id,
        ...{ of, sample, from, ...(counts ? { counts } : {}) },
        ...{ whole: null, mass: null, dry: null, figure: null, to: null, literature: null, evidence: [], judgement: null },
        ...found,
      },
    ]
  })
  return { ...base, outcomes, judgement: base.whole === null ? ofAll(run.plan, outcomes) : base.judgement }
}

const gravity: Record<Judgement['level'], number> = { danger: 3, doubt: 2, open: 1, good: 0 }

/** Where nothing is counted from a whole, the gravest of what was measured speaks for the run. */
function ofAll(plan: Plan, outcomes: readonly Outcome[]): Judgement {
  const judged = outcomes.flatMap(({ judgement, quantity, of }) =>
    judgement ? [{ ...judgement, evidence: `${resultName(quantity, of)}: ${judgement.evidence}` }] : [],
  )
  if (judged.length === 0) {
    const wanted = wantedResults(plan)
    return wanted.length === 0
      ? {
          level: 'good',
          words: 'No result is wanted',
          evidence: 'The plan wants no figure of this work; what was seen stands in its steps.',
        }
      : {
          level: 'open',
          words: 'Nothing measured yet',
          evidence: `Still to come: ${wanted.map(({ quantity, of }) => resultName(quantity.id, of)).join('; ')}.`,
        }
  }
  const worst = judged.reduce((a, b) => (gravity[b.level] > gravity[a.level] ? b : a))
  return { ...worst, evidence: judged.map(({ evidence }) => evidence).join(' ') }
}
