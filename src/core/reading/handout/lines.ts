import { freeId } from '../../plan/editPlan'
import { usualForm } from '../../plan/editPlan'
import type { Role } from '../../plan/lists'
import type { OperationKey } from '../../operations/registry'
import { nearestSubstances, substanceIndex } from '../../substance/search'
import type { Substance } from '../../substance/substance'
import { anchorOf, bottleOf } from './bottle'
import type { Lexicon } from './names'
import type { Portion } from './portions'
import type { Ask, LineChange, ProposedLine } from './proposal'
import type { ReadStep } from './step'
import type { TextRead } from './readText'
import type { Figure } from './figures'

/** Lines as they grow while the text is gone through. */
interface Growing extends Omit<ProposedLine, 'spans' | 'role' | 'asks'> {
  asks: Ask<LineChange>[]
  spans: { from: number; to: number }[]
  role: Role | undefined
  portion: Portion
  /** Parts of it that steps have taken, of the amount of its line. */
  used: number
}

/** What a substance is for by what is done with it; the others react, dissolve or help. */
const roleIn: Partial<Record<OperationKey, Role>> = {
  wash: 'work-up',
  extract: 'work-up',
  'dry-solution': 'work-up',
  quench: 'work-up',
  pour: 'work-up',
  rinse: 'work-up',
  filter: 'work-up',
  'set-ph': 'work-up',
  crystallise: 'solvent',
}
const beginsWorkUp: readonly OperationKey[] = [
  'pour',
  'quench',
  'extract',
  'wash',
  'filter',
  'dry-solution',
  'distil',
  'crystallise',
]

const total = ({ high, times = 1 }: Figure) => high * times
const sameAmount = (a: Figure | undefined, b: Figure | undefined) =>
  !a || !b || (a.kind === b.kind && a.unit === b.unit && Math.abs(total(a) / total(b) - 1) < 0.021)
const sameBottle = (a: Portion, b: Portion) =>
  (!a.strength || !b.strength || a.strength.high === b.strength.high) && (!a.strong || !b.strong || a.strong === b.strong)
const sameName = (a: Portion, b: Portion) =>
  a.of[0] && b.of[0]
    ? a.of.some(({ id }) => b.of.some((other) => other.id === id))
    : a.written.toLowerCase() === b.written.toLowerCase()

function unknownAsk(portion: Portion, lexicon: Lexicon): Ask<LineChange>[] {
  if (portion.of.length === 1) return []
  if (portion.of.length > 1)
    return [
      {
        id: 'which',
        words: `“${portion.written}” is`,
        choices: portion.of
          .slice(0, 4)
          .map((substance) => ({ label: substance.name, change: { substance, form: usualForm(substance) } })),
      },
    ]
  const index = substanceIndex(lexicon.substances.map(({ substance }) => substance))
  const own: Substance = { id: freeId(portion.written, []), name: portion.written }
  return [
    {
      id: 'which',
      words: `“${portion.written}” is no name on record:`,
      choices: [
        {
          label: `a material of our own, ${portion.written}`,
          change: { substance: own, form: { kind: portion.measure?.kind === 'volume' ? 'neat' : 'solid', purity: 1 } },
        },
        ...nearestSubstances(index, portion.written, 2).map((substance) => ({
          label: substance.name,
          change: { substance, form: usualForm(substance) },
        })),
      ],
    },
  ]
}

function lineFor(portion: Portion, lexicon: Lexicon, taken: readonly string[]): Growing {
  const [substance] = portion.of.length === 1 ? portion.of : []
  const bottle = bottleOf(portion, substance, lexicon)
  const amount = anchorOf(portion.measure)
  return {
    id: freeId(substance?.id ?? portion.written, taken),
    spans: [{ from: portion.from, to: portion.to }],
    written: portion.written,
    ...(substance ? { substance } : {}),
    form: bottle.form,
    anchor: amount.anchor,
    role: undefined,
    coefficient: null,
    ...(portion.state ? { note: portion.state } : {}),
    asks: [...unknownAsk(portion, lexicon), ...bottle.asks, ...amount.asks],
    ...(portion.measure ? { measure: portion.measure } : {}),
    besides: portion.besides,
    portion,
    used: 0,
  }
}

/** The lines of a text, and for every portion of a step the line that it is. */
export function linesOf(
  read: TextRead,
  lexicon: Lexicon,
): { lines: ProposedLine[]; lineOf: Map<Portion, string>; partOf: Map<Portion, number> } {
  const lines: Growing[] = []
  const lineOf = new Map<Portion, string>()
  const partOf = new Map<Portion, number>()
  const put = (portion: Portion): Growing => {
    const line = lineFor(
      portion,
      lexicon,
      lines.map(({ id }) => id),
    )
    lines.push(line)
    return line
  }
  for (const portion of read.table) put(portion)
  const listed = lines.length
  let workUp = false
  const take = (line: Growing, portion: Portion, step: ReadStep) => {
    lineOf.set(portion, line.id)
    if (!line.spans.some(({ from }) => from === portion.from)) line.spans.push({ from: portion.from, to: portion.to })
    // What a table lists is not the work-up's because something was filtered before.
    line.role ??= roleIn[step.operation] ?? (workUp && lines.indexOf(line) >= listed ? 'work-up' : undefined)
    line.used += 1
  }
  for (const step of read.steps) {
    for (const portion of step.portions) {
      const known = lines.slice(0, listed).filter((line) => sameName(line.portion, portion) && sameBottle(line.portion, portion))
      const open =
        known.find((line) => line.used === 0 && sameAmount(line.measure, portion.measure)) ??
        (portion.measure ? undefined : known[0])
      // What is in the table is measured out once; named again it is meant, and not taken anew.
      if (open && (open.used === 0 || portion.measure)) take(open, portion, step)
      else if (portion.measure) {
        const part = partOfTable(known, portion)
        if (part) {
          partOf.set(portion, part.part)
          take(part.line, portion, step)
        } else if (step.operation !== 'filter' || portion.of.length > 0) take(put(portion), portion, step)
      } else if (step.operation === 'crystallise' && portion.of[0]) take(leftOpen(put(portion)), portion, step)
    }
    if (beginsWorkUp.includes(step.operation)) workUp = true
  }
  return {
    lines: lines.map(({ portion: _portion, used: _used, role, ...line }) => ({ ...line, role: role ?? 'reagent' })),
    lineOf,
    partOf,
  }
}

/** A solvent to crystallise from whose amount no text says: taken, it stands open in the table. */
function leftOpen(line: Growing): Growing {
  const choice = { label: 'leave it open: the Desk works it out from the solubility', change: {} }
  line.asks = [...line.asks, { id: 'amount', words: 'no amount in the text:', choices: [choice] }]
  return line
}

/** A part of what the table lists: 4 mL of the 16 mL. */
function partOfTable(known: readonly Growing[], { measure }: Portion): { line: Growing; part: number } | undefined {
  const line = known.find(
    (each) =>
      each.measure &&
      measure &&
      each.measure.kind === measure.kind &&
      each.measure.unit === measure.unit &&
      total(measure) < total(each.measure) * 0.98,
  )
  return line && { line, part: total(measure!) / total(line.measure!) }
}
