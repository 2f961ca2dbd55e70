import { reactionTable } from '../../reaction/reactionTable'
import type { Substance } from '../../substance/substance'
import type { Lexicon, NameTable } from './names'
import { disagreementsOf } from './disagreements'
import { linesOf } from './lines'
import { planFrom } from './planFrom'
import type { Choice, Proposal, ProposedLine, ProposedStep, StepChange } from './proposal'
import { readText, type TextRead } from './readText'
import { withRoles } from './roles'
import type { Sentence } from './sentences'
import { overlap, within, type Span } from './span'
import type { ReadField, ReadStep } from './step'
import type { OperationKey } from '../../operations/registry'
import { operations } from '../../operations/registry'
import type { Operation } from '../../operations/operation'

const nowhere: Sentence = { from: 0, to: 0, paragraph: 0 }

/** A step that no text has, and that most plans need: it asks. */
function offer(operation: OperationKey, why: string): ProposedStep {
  const read: ReadStep = { operation, from: 0, to: 0, sentence: nowhere, portions: [], fields: [], warnings: [], words: [] }
  const add: Choice<StepChange> = { label: 'add it', change: {} }
  return {
    id: `offered-${operation}`,
    read,
    operation,
    fields: [],
    lines: [],
    asks: [{ id: 'offer', words: why, choices: [add] }],
    offered: why,
  }
}

function stepsOf(read: TextRead, lineOf: ReturnType<typeof linesOf>): ProposedStep[] {
  // What the words of a melting say of the literature are its blanks.
  const literature = (step: ReadStep): ReadField[] =>
    step.operation === 'melt'
      ? read.sayings
          .filter((saying) => saying.of === 'melting' && within(saying, step))
          .slice(0, 1)
          .flatMap(({ low, high, from, to }) => [
            { key: 'lowC', value: low, from, to },
            { key: 'highC', value: high, from, to },
          ])
      : []
  const steps = read.steps.map((step, index): ProposedStep => {
    const lines = step.portions.flatMap((portion) => {
      const id = lineOf.lineOf.get(portion)
      return id === undefined ? [] : [{ id, at: { from: portion.from, to: portion.to } }]
    })
    const parts = Object.fromEntries(
      step.portions.flatMap((portion) => {
        const part = lineOf.partOf.get(portion)
        return part === undefined ? [] : [[lineOf.lineOf.get(portion)!, part] as const]
      }),
    )
    return {
      id: `s${index + 1}`,
      read: step,
      operation: step.operation,
      fields: [...step.fields, ...literature(step)],
      lines,
      ...(Object.keys(parts).length > 0 ? { parts } : {}),
      asks: [],
    }
  })
  const is = (key: OperationKey) => operations[key] as Operation
  const heat = steps.findIndex(({ operation }) => is(operation).heats === 'under a condenser')
  const setUp = heat >= 0 && !steps.slice(0, heat).some(({ operation }) => is(operation).setsUp)
  const waste = steps.length > 2 && !steps.some(({ operation }) => is(operation).place === 'waste')
  const withSetUp = setUp
    ? [offer('assemble', 'The text heats under a condenser and does not say that the apparatus is looked at before.'), ...steps]
    : steps
  return waste ? [...withSetUp, offer('dispose', 'The text does not say where the waste goes.')] : withSetUp
}

/** Pieces of the text that nothing was read from. */
function leftOf(read: TextRead, steps: readonly ProposedStep[]): Span[] {
  const words = steps.flatMap(({ read: step }) => step.words)
  const silent = read.sentences.filter(
    (sentence) =>
      sentence !== read.title &&
      !read.headings.some((each) => overlap(each, sentence)) &&
      !read.sayings.some((each) => within(each, sentence)) &&
      !steps.some(
        ({ read: step }) =>
          overlap(step, sentence) ||
          step.words.some((each) => overlap(each, sentence)) ||
          step.warnings.some((each) => overlap(each, sentence)),
      ),
  )
  return [...words, ...silent].sort((a, b) => a.from - b.from)
}

const titleOf = ({ title, plain }: TextRead, product: ProposedLine | undefined): string => {
  const said = title
    ? plain
        .slice(title.from, title.to)
        .split(/[.;]\s/)[0]!
        .replace(/[.:]\s*$/, '')
        .trim()
    : ''
  const cased = /[a-z]/.test(said) || said === '' ? said : said.charAt(0) + said.slice(1).toLowerCase()
  return (cased || product?.written || '').slice(0, 200)
}

/**
 * What is proposed before anybody has answered anything.
 * @param making what the author says is made, where the text does not say it; null for nothing
 */
export function propose(text: string, lexicon: Lexicon, table?: NameTable, making?: Substance | null): Proposal {
  const { product: said, ...rest } = readText(text, lexicon, table)
  const product = making === undefined ? said : making?.id
  const read: TextRead = { ...rest, ...(product ? { product } : {}) }
  const found = linesOf(read, lexicon)
  const parts = withRoles(read, found.lines, lexicon, making ?? undefined)
  const steps = stepsOf(read, found)
  const proposal: Proposal = {
    read,
    title: titleOf(
      read,
      parts.lines.find(({ id }) => id === parts.product),
    ),
    does: parts.does,
    ...(parts.product ? { product: parts.product } : {}),
    ...(parts.reference ? { reference: parts.reference } : {}),
    lines: parts.lines,
    steps,
    balanced: parts.balanced,
    disagreements: [],
    left: leftOf(read, steps),
  }
  const counted = { ...proposal, ...limitOf(proposal) }
  return { ...counted, disagreements: disagreed(counted) }
}

/** Ratios count from what the text has as one equivalent; where it says nothing, from what runs out first. */
function limitOf(proposal: Proposal): Pick<Proposal, 'reference'> {
  const said = proposal.lines.some(
    ({ role, besides }) => role === 'reactant' && besides.some(({ kind, high }) => kind === 'equivalents' && high === 1),
  )
  if (said || proposal.does !== 'makes') return {}
  const limiting = reactionTable(planFrom(likely(proposal))).lines.find((each) => each.limiting)
  return limiting ? { reference: limiting.line.id } : {}
}

/** As if what asks had been answered with what is likeliest, and nothing were offered. */
function likely(proposal: Proposal): Proposal {
  return {
    ...proposal,
    lines: proposal.lines.map((line) => ({
      ...line,
      ...line.asks.reduce((so, { choices }) => ({ ...so, ...(choices[0]?.change ?? {}) }), {}),
      asks: [],
    })),
    steps: proposal.steps.filter(({ offered }) => offered === undefined).map((step) => ({ ...step, asks: [] })),
  }
}

/** What does not agree, in the light of what is likeliest. */
export const disagreed = (proposal: Proposal): Proposal['disagreements'] =>
  disagreementsOf(likely(proposal), planFrom(likely(proposal)))
