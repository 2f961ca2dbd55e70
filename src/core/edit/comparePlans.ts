import { printed } from '../words/words'
import { stepFacts } from '../plan/stepFacts'
import { reactionTable, dispensed, type ReactionTable } from '../reaction/reactionTable'
import { writeFigureText, writeNumber, writeQuantity } from '../quantity/write'
import { plannerFor } from '../operations/planners'
import type { Anchor, Form, Line, Plan, Span, Step, WorkValue } from '../plan/plan'

/** One thing that differs between two revisions; null where one of them has it not at all. */
export interface Difference {
  part: 'words' | 'table' | 'procedure' | 'safety'
  /** What differs, in the words of the plan. */
  what: string
  before: string | null
  after: string | null
}

/** Two revisions of a plan compared line by line: words, reaction table, procedure, safety. Nothing that is the same is named. */
export function comparePlans(before: Plan, after: Plan): Difference[] {
  return [...words(before, after), ...table(before, after), ...procedure(before, after), ...safety(before, after)]
}

function changed(part: Difference['part'], what: string, before: string, after: string): Difference[] {
  return before === after ? [] : [{ part, what, before, after }]
}

function words(before: Plan, after: Plan): Difference[] {
  const percent = ({ expectedYield }: Plan) => (expectedYield ? spanText(expectedYield) : 'not said')
  const recovered = ({ recoveries }: Plan) =>
    (recoveries ?? [])
      .map(({ sample, of, expected }) => `${sample} from ${of}, ${expected ? spanText(expected) : 'not said'}`)
      .join('; ')
  return [
    ...changed('words', 'title', before.title, after.title),
    ...changed('words', 'aim', before.aim, after.aim),
    ...changed('words', 'above the arrow', before.conditions.above, after.conditions.above),
    ...changed('words', 'below the arrow', before.conditions.below, after.conditions.below),
    ...changed('words', 'expected yield', percent(before), percent(after)),
    ...changed('words', 'ratios count from', before.reference, after.reference),
    ...changed('words', 'yield counted for', before.mainProduct ?? 'none', after.mainProduct ?? 'none'),
    ...changed('words', 'recoveries', recovered(before), recovered(after)),
  ]
}

function spanText({ low, high }: Span): string {
  return `${writeNumber(100 * low, 0)}–${writeNumber(100 * high, 0)} %`
}

function table(before: Plan, after: Plan): Difference[] {
  const [old, fresh] = [reactionTable(before), reactionTable(after)]
  const found = (computed: ReactionTable, id: string) => {
    const line = computed.lines.find((candidate) => candidate.line.id === id)
    return line ? { ...line, amountText: amountText(line) } : undefined
  }
  const ids = [...new Set([...after.lines, ...before.lines].map(({ id }) => id))]
  return ids.flatMap((id): Difference[] => {
    const [a, b] = [found(old, id), found(fresh, id)]
    const name = (b ?? a)!.substance.name + ((b ?? a)!.line.note ? `, ${(b ?? a)!.line.note}` : '')
    if (!a || !b) return [{ part: 'table', what: name, before: a?.amountText ?? null, after: b?.amountText ?? null }]
    const say = (what: string, read: (line: Line) => string) => changed('table', `${what} of ${name}`, read(a.line), read(b.line))
    return [
      ...changed('table', `amount of ${name}`, a.amountText, b.amountText),
      ...say('coefficient', ({ coefficient }) => String(coefficient ?? 'none')),
      ...say('part', ({ role }) => role),
      ...say('bottle', ({ form }) => formText(form)),
      ...say('device', ({ device }) => device ?? 'not said'),
      ...say('made in', ({ madeIn }) => madeIn ?? ''),
      ...say('note', ({ note }) => note ?? ''),
      ...say('scaling', ({ fixed }) => (fixed ? 'does not scale' : 'scales')),
    ]
  })
}

function amountText(line: ReactionTable['lines'][number]): string {
  const { anchor } = line.line
  if (anchor && 'quantity' in anchor) return writeQuantity(anchor.quantity)
  const measured = dispensed(line)
  const amount = measured ? writeFigureText(measured.figure, measured.dimension) : 'no amount'
  return anchor ? `${amount} (${anchorText(anchor)})` : amount
}

/** What an amount follows from, in words: `ratio 1.20`, `5 mol %`, `10 mL/g`. */
function anchorText(anchor: Exclude<Anchor, { quantity: unknown }>): string {
  if (anchor.of === 'ratio') return `ratio ${writeNumber(anchor.ratio, anchor.decimals)}`
  if (anchor.of === 'mol-percent') return `${writeNumber(anchor.percent, anchor.decimals)} mol %`
  if (anchor.of === 'per-gram') return `${writeNumber(anchor.mLPerG, anchor.decimals)} mL/g`
  return `${writeNumber(anchor.percent, anchor.decimals)} % of ${anchor.line}`
}

function formText(form: Form): string {
  if (form.kind === 'solution') return `${form.molPerL} mol/L`
  if (form.kind === 'mass-volume') return `${form.gPer100ML ?? 'unknown'} % w/v`
  if (form.kind === 'mass-fraction')
    return `${form.fraction === undefined ? 'unknown' : writeNumber(100 * form.fraction, 1)} % w/w, ${form.gPerML ?? 'unknown'} g/mL`
  const water = form.kind === 'solid' && form.water ? `, with ${form.water} H2O` : ''
  return `${form.kind}, ${writeNumber(100 * form.purity, 1)} %${water}`
}

const stepWords: Readonly<Record<string, string>> = {
  title: 'title',
  text: 'words',
  until: 'finish',
  caution: 'caution',
  handsOnMin: 'minutes of hands',
  waitMin: 'minutes of waiting',
  holdMin: 'clock',
  witness: 'signature',
  says: 'so it is',
  waste: 'waste containers',
  operation: 'operation',
  minutes: 'least and most minutes',
  station: 'what the groups share',
  safeStop: 'safe stop',
}

function procedure(before: Plan, after: Plan): Difference[] {
  const place = (plan: Plan, id: string) => plan.steps.findIndex((step) => step.id === id)
  const ids = [...new Set([...after.steps, ...before.steps].map(({ id }) => id))]
  const shared = (plan: Plan) => plan.steps.map(({ id }) => id).filter((id) => place(before, id) >= 0 && place(after, id) >= 0)
  const moved = shared(before).join() !== shared(after).join()
  return [
    ...(moved ? changed('procedure', 'order of the steps', titles(before), titles(after)) : []),
    ...ids.flatMap((id): Difference[] => {
      const [a, b] = [before.steps[place(before, id)], after.steps[place(after, id)]]
      if (!a || !b)
        return [
          {
            part: 'procedure',
            what: `step “${(b ?? a)!.title}”`,
            before: a ? printed(a.text) : null,
            after: b ? printed(b.text) : null,
          },
        ]
      return [
        ...fields(a, b).flatMap((key) =>
          changed('procedure', `${stepWords[key] ?? key} of “${b.title}”`, valueText(a, key), valueText(b, key)),
        ),
        ...workedOut(a, b),
      ]
    }),
  ]
}

const titles = ({ steps }: Plan) => steps.map(({ title }) => title).join(', ')

function fields(a: Step, b: Step): string[] {
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].filter((key) => !['id', 'work'].includes(key))
}

/** What was typed into the planner of a step, field by field. */
function workedOut(a: Step, b: Step): Difference[] {
  const keys = [...new Set([...Object.keys(a.work ?? {}), ...Object.keys(b.work ?? {})])].filter((key) => key !== 'of')
  const label = (key: string) => plannerFor(b)?.fields.find((field) => field.key === key)?.label ?? key
  return keys.flatMap((key) =>
    changed('procedure', `${label(key)}, worked out for “${b.title}”`, workText(a.work?.[key]), workText(b.work?.[key])),
  )
}

function workText(value: WorkValue | undefined): string {
  if (value === undefined) return 'as the plan says'
  return Array.isArray(value) ? value.map((row) => Object.values(row).join(' ')).join('; ') : String(value)
}

function valueText(step: Step, key: string): string {
  const value = (step as unknown as Record<string, unknown>)[key]
  if (value === undefined || value === null) return ''
  if (key === 'says') return (step.says ?? []).map((fact) => stepFacts[fact]).join('; ')
  if (key === 'waste') return (step.waste ?? []).map(({ into, what }) => (what ? `${what} into ${into}` : into)).join('; ')
  if (key === 'minutes')
    return [step.minutes?.handsOn, step.minutes?.wait]
      .flatMap((span, at) => (span ? [`${at === 0 ? 'hands on' : 'waiting'} ${span.least} to ${span.most} min`] : []))
      .join(', ')
  if (Array.isArray(value)) return value.join('; ')
  if (typeof value === 'object') return Object.values(value).join(' ')
  return typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value)
}

function safety(before: Plan, after: Plan): Difference[] {
  return [
    ...changed('safety', 'wear', before.safety.wear.join('; '), after.safety.wear.join('; ')),
    ...changed('safety', 'at hand', before.safety.atHand.join('; '), after.safety.atHand.join('; ')),
    ...changed('safety', 'own words', before.safety.ownWords, after.safety.ownWords),
  ]
}
