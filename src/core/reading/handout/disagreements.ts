import { balance } from '../../reaction/balance'
import type { TextScheme } from './textScheme'
import { inBaseUnit, units, type Unit } from '../../quantity/unit'
import { rough } from '../../quantity/rough'
import { writeNumber } from '../../quantity/write'
import { computedLine, reactionTable, theoreticalYield } from '../../reaction/reactionTable'
import { molarMass } from '../../substance/molarMass'
import { queriesOf } from '../../query/queries'
import type { Plan } from '../../plan/plan'
import type { Figure } from './figures'
import type { Disagreement, Proposal, ProposedLine } from './proposal'
import type { Saying } from './sayings'

/** How far two figures of one thing may differ before it is said: what rounding of two digits does; judgement. */
const agreement = 0.03
/** Half a unit of the last digit that was written, as a part of the figure. */
const rounding = ({ low, decimals }: Pick<Figure, 'low' | 'decimals'>) =>
  low === 0 ? 0 : (0.5 * 10 ** -decimals) / Math.abs(low)
const isUnit = (unit: string): unit is Unit => unit in units
const base = (figure: Pick<Figure, 'high' | 'unit'>) =>
  isUnit(figure.unit) ? inBaseUnit({ value: figure.high, unit: figure.unit }) : figure.high

/** Amounts that stand side by side and do not say the same. */
function besidesOf(plan: Plan, line: ProposedLine): Disagreement[] {
  if (!line.anchor || !line.measure || !plan.lines.some(({ id }) => id === line.id)) return []
  const alone: Plan = {
    ...plan,
    lines: plan.lines.map((each) => (each.id === line.id ? { ...each, anchor: line.anchor } : each)),
  }
  const computed = computedLine(reactionTable(alone), line.id)
  const name = line.substance!.name
  return line.besides.flatMap((figure): Disagreement[] => {
    if (figure.kind === 'molar mass') {
      const formula = line.substance!.formula
      const right = formula === undefined ? undefined : molarMass(formula)
      return right !== undefined && Math.abs(figure.high / right - 1) > 0.005
        ? [
            {
              id: `molar-${line.id}`,
              title: 'A molar mass that is another one.',
              words: `${figure.high} g/mol stands by ${name}, whose molar mass is ${writeNumber(right, 2)} g/mol.`,
              at: [figure],
            },
          ]
        : []
    }
    if (figure.kind === 'density') {
      const known = line.substance!.density?.gPerML
      return known !== undefined && line.form.kind === 'neat' && Math.abs(figure.high / known - 1) > agreement
        ? [
            {
              id: `density-${line.id}`,
              title: 'Another density is on record.',
              words: `${figure.high} g/mL stands by ${name}, whose record has ${known} g/mL.`,
              at: [figure],
            },
          ]
        : []
    }
    const follows =
      figure.kind === 'amount'
        ? computed.amount
        : figure.kind === 'mass'
          ? computed.mass
          : figure.kind === 'volume'
            ? computed.volume
            : null
    if (!follows) return []
    const said = base(figure)
    const off = Math.abs(said / follows.value - 1)
    if (off <= agreement + rounding(figure) + rounding(line.measure!)) return []
    const unit = figure.kind === 'amount' ? 'mmol' : figure.kind === 'mass' ? 'g' : 'mL'
    return [
      {
        id: `besides-${line.id}-${figure.kind}`,
        title: 'An amount does not fit its own moles.',
        words: `${writeNumber(line.measure!.high, line.measure!.decimals)} ${line.measure!.unit} of ${name} is ${rough(follows.value)} ${unit}, and the text says ${rough(said)} ${unit}.`,
        at: [line.measure!, figure],
      },
    ]
  })
}

/** The theory, and the percentage, that follow from the amounts. */
function outcomes(plan: Plan, { read }: Proposal): Disagreement[] {
  const theory = plan.mainProduct === undefined ? null : theoreticalYield(plan, reactionTable(plan))?.value
  if (!theory) return []
  const find = (of: Saying['of']) => read.sayings.find((saying) => saying.of === of)
  const [said, got, percent] = [find('theory'), find('yield mass'), find('yield percent')]
  const found: Disagreement[] = []
  if (said && Math.abs(base(said) / theory - 1) > agreement + rounding(said))
    found.push({
      id: 'theory',
      title: 'The theory does not follow from the amounts.',
      words: `They give ${writeNumber(theory, 2)} g, and the text says ${writeNumber(said.high, said.decimals)} ${said.unit}.`,
      at: [said],
    })
  if (got && got.low === got.high && base(got) > theory * (1 + rounding(got)))
    found.push({
      id: 'above-theory',
      title: 'More than theory allows.',
      words: `The amounts give ${writeNumber(theory, 2)} g at the most, and the text says ${writeNumber(got.high, got.decimals)} ${got.unit}.`,
      at: [got],
    })
  if (got && percent && percent.low === percent.high) {
    const follows = (100 * base(got)) / theory
    if (Math.abs(follows / percent.high - 1) > agreement + rounding(got) + rounding(percent))
      found.push({
        id: 'percent',
        title: 'Yield and per cent do not belong together.',
        words: `${writeNumber(got.high, got.decimals)} ${got.unit} of ${writeNumber(theory, 2)} g is ${writeNumber(follows, 0)} %, and the text says ${writeNumber(percent.high, percent.decimals)} %.`,
        at: [got, percent],
      })
  }
  return found
}

/** The reactant that the text counts from, where another one runs out first. */
function limits(plan: Plan, { lines, read }: Proposal): Disagreement[] {
  if (plan.mainProduct === undefined) return []
  const table = reactionTable(plan)
  const limiting = table.lines.find((each) => each.limiting)
  const said =
    lines.find(
      (line) => line.role === 'reactant' && line.besides.some(({ kind, high }) => kind === 'equivalents' && high === 1),
    ) ?? saidLimiting(read.plain, lines)
  if (!limiting || !said || limiting.line.id === said.id) return []
  const name = (id: string) => lines.find((line) => line.id === id)?.substance?.name ?? id
  return [
    {
      id: 'limiting',
      title: `${name(said.id)} does not set the limit.`,
      words: `Of ${name(limiting.line.id)} there is less than it needs: that runs out first.`,
      at: said.spans.slice(0, 1),
    },
  ]
}

const saidLimiting = (plain: string, lines: readonly ProposedLine[]) => {
  const at = plain.search(/\blimiting (?:reagent|reactant)/i)
  if (at < 0) return undefined
  return lines
    .filter(({ spans }) => spans.some(({ from }) => Math.abs(from - at) < 120))
    .sort((a, b) => Math.abs(a.spans[0]!.from - at) - Math.abs(b.spans[0]!.from - at))[0]
}

/** How far a window may lie beside the boiling point before it is said, K: pressure and thermometer do as much. */
const windowK = 3

function windows({ steps, lines, product }: Proposal): Disagreement[] {
  const made = lines.find(({ id }) => id === product)?.substance
  const distilled = steps.filter(({ operation }) => operation === 'distil')
  return distilled.flatMap(({ id, fields }): Disagreement[] => {
    const [low, high] = [fields.find(({ key }) => key === 'lowC'), fields.find(({ key }) => key === 'highC')]
    if (!made?.boiling || distilled.length > 1 || !low || !high) return []
    const { lowC, highC } = made.boiling
    if (Number(low.value) <= highC + windowK && Number(high.value) >= lowC - windowK) return []
    return [
      {
        id: `window-${id}`,
        title: 'The window misses the boiling point.',
        words: `${made.name} boils at ${lowC === highC ? lowC : `${lowC} to ${highC}`} °C, and ${low.value} to ${high.value} °C is collected.`,
        at: [low],
      },
    ]
  })
}

function onRecord({ read, lines, product }: Proposal): Disagreement[] {
  const made = lines.find(({ id }) => id === product)?.substance
  return read.sayings.flatMap((saying): Disagreement[] => {
    if (saying.of !== 'melting' && saying.of !== 'boiling') return []
    const record =
      saying.substance === undefined
        ? made
        : (lines.find(({ substance }) => substance?.id === saying.substance)?.substance ??
          (made?.id === saying.substance ? made : undefined))
    const range = record?.[saying.of]
    const far = 6
    if (!record || !range || (saying.low <= range.highC + far && saying.high >= range.lowC - far)) return []
    return [
      {
        id: `record-${saying.from}`,
        title: `Another ${saying.of === 'melting' ? 'melting' : 'boiling'} point is on record.`,
        words: `The text says ${saying.low === saying.high ? saying.low : `${saying.low} to ${saying.high}`} °C, the record of ${record.name} ${range.lowC === range.highC ? range.lowC : `${range.lowC} to ${range.highC}`} °C.`,
        at: [saying],
      },
    ]
  })
}

const twice = ({ steps }: Proposal): Disagreement[] =>
  steps.flatMap(({ id, read }): Disagreement[] =>
    read.twoTimes
      ? [
          {
            id: `times-${id}`,
            title: 'Two times for the same thing.',
            words: `${read.twoTimes[0]} min and ${read.twoTimes[1]} min stand by one deed; the first is taken.`,
            at: [read],
          },
        ]
      : [],
  )

/** An equation of the text that does not balance, with what would. */
const equations = ({ read }: Proposal): Disagreement[] =>
  read.schemes.flatMap((scheme, index): Disagreement[] => {
    const term = (role: 'reactant' | 'product') => (each: TextScheme['left'][number], place: number) => ({
      id: `${role}-${place}`,
      substance: `${role}-${place}`,
      role,
      coefficient: each.coefficient,
      form: { kind: 'solid' as const, purity: 1 },
      anchor: null,
    })
    const lines = [...scheme.left.map(term('reactant')), ...scheme.right.map(term('product'))]
    const all = [...scheme.left, ...scheme.right]
    const { imbalances, suggestion } = balance({
      lines,
      substances: all.map(({ substance }, place) => ({ ...substance, id: lines[place]!.id })),
    } as unknown as Plan)
    if (imbalances.length === 0) return []
    const counts = imbalances.map(({ element, left, right }) => `${element} ${left} and ${right}`).join(', ')
    const better = suggestion
      ? ` It balances with ${lines.map(({ id }, place) => `${suggestion[id]} ${all[place]!.substance.name}`).join(', ')}.`
      : ''
    return [
      {
        id: `equation-${index}`,
        title: 'An equation of the text does not balance.',
        words: `Left and right: ${counts}.${better}`,
        at: [scheme],
      },
    ]
  })

/** A substance that stands in a table with one amount and in the text with another. */
function twoAmounts({ lines, read }: Proposal): Disagreement[] {
  return read.table.flatMap((row): Disagreement[] => {
    const line = lines.find(({ spans }) => spans.some(({ from }) => from === row.from))
    if (!line || line.spans.length > 1 || !row.measure || line.role !== 'reactant') return []
    const other = lines.find(
      (each) =>
        each !== line &&
        each.substance?.id === line.substance?.id &&
        each.measure?.kind === row.measure!.kind &&
        each.role === 'reagent',
    )
    return other?.measure
      ? [
          {
            id: `two-${line.id}`,
            title: 'Two amounts of one thing.',
            words: `${row.measure.high} ${row.measure.unit} of ${line.written} stands in the table, and ${other.measure.high} ${other.measure.unit} in the text.`,
            at: [row.measure, other.measure],
          },
        ]
      : []
  })
}

/** What the plan's own rules would say of the base or acid that a wash or a quench brings, and of the equation. */
const ruled: readonly RegExp[] = [/^unbalanced/, /short|too-little|neutralis|wash/]

/** Everything in which the text contradicts itself, with the figures that do. */
export function disagreementsOf(proposal: Proposal, plan: Plan): Disagreement[] {
  const rules = queriesOf(plan)
    .filter(({ id }) => ruled.some((pattern) => pattern.test(id)) && !/^short-/.test(id))
    .map(({ id, title, evidence, about }): Disagreement => ({
      id: `rule-${id}`,
      title: `${title}${/[.?!]$/.test(title) ? '' : '.'}`,
      words: evidence,
      at: proposal.steps.filter((step) => step.id === about).map(({ read }) => read),
    }))
  return [
    ...proposal.lines.filter(({ substance }) => substance).flatMap((line) => besidesOf(plan, line)),
    ...outcomes(plan, proposal),
    ...limits(plan, proposal),
    ...windows(proposal),
    ...onRecord(proposal),
    ...twice(proposal),
    ...twoAmounts(proposal),
    ...equations(proposal),
    ...rules,
  ]
}
