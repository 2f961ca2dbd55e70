import { freeId } from '../../plan/editPlan'
import type { Role } from '../../plan/lists'
import type { Substance } from '../../substance/substance'
import { equationOf } from './equation'
import type { Lexicon } from './names'
import type { Does, ProposedLine } from './proposal'
import type { TextRead } from './readText'

export interface Parts {
  lines: ProposedLine[]
  does: Does
  product?: string
  reference?: string
  balanced: boolean
}

const purifying = /\b(?:recrystalli[sz]|purif|separat|fraction|distillation of|isolation|extraction of|from nutmeg)/i
/** What is put in is parted: all of it is the material. */
const parting = /\b(?:fraction|distillation of)/i
const testing = /\b(?:tests?|titration|standardi[sz]ation|determination)\b/i

const bySubstance = (lines: readonly ProposedLine[], id: string) => lines.filter(({ substance }) => substance?.id === id)

/** Moles by the words of the text, where they stand by the amount. */
const saidEquivalents = ({ besides }: ProposedLine) => besides.find(({ kind }) => kind === 'equivalents')?.high

/** A line that forms and is not measured out. */
const forming = (substance: Substance, role: Role, coefficient: number | null, taken: readonly string[]): ProposedLine => ({
  id: freeId(taken.includes(substance.id) ? `${substance.id}-formed` : substance.id, taken),
  spans: [],
  written: substance.name,
  substance,
  form: { kind: substance.density && (substance.melting?.highC ?? 0) < 25 ? 'neat' : 'solid', purity: 1 },
  anchor: null,
  role,
  coefficient,
  asks: [],
  besides: [],
  follows: true,
})

/** Who reacts with whom, what dissolves, what helps: by the equation that the amounts allow, and the rest by what it is. */
export function withRoles(read: TextRead, lines: ProposedLine[], lexicon: Lexicon, making?: Substance): Parts {
  const title = read.title ? read.plain.slice(read.title.from, read.title.to) : ''
  const find = (id: string | undefined) => lexicon.substances.find(({ substance }) => substance.id === id)?.substance
  const product = making ?? find(read.product)
  const early = lines.filter(({ role, substance }) => role === 'reagent' && substance !== undefined)
  const isSolvent = ({ substance, note }: ProposedLine) =>
    substance !== undefined && lexicon.solvents.includes(substance.id) && note !== 'glacial'
  const unique = (of: readonly ProposedLine[]) => [...new Map(of.map(({ substance }) => [substance!.id, substance!])).values()]
  const solvents = [
    ...early.filter(isSolvent),
    ...lines.filter(
      ({ role, substance }) =>
        role === 'work-up' &&
        substance &&
        (substance.formula === 'HCl' || substance.formula === 'H2O' || substance.formula === 'H2SO4'),
    ),
  ]
  const equation = product
    ? equationOf(product, unique(early.filter((line) => !isSolvent(line))), unique(solvents), lexicon.byProducts)
    : undefined
  if (product && equation) return made(lines, product, equation, lexicon)
  const reagents = lines.filter(({ role }) => role === 'reagent')
  // What is no solvent is what the work begins from: tea leaves, also where the water stands first.
  const material = reagents.find((line) => !isSolvent(line)) ?? reagents[0] ?? lines[0]
  if (product && !purifying.test(title) && early.some((line) => !isSolvent(line))) {
    // Nothing balances: the product is made all the same, and the Desk asks about the equation.
    const parts = lines.map((line): ProposedLine =>
      line.role !== 'reagent' ? line : isSolvent(line) ? { ...line, role: 'solvent' } : line,
    )
    const first = parts.find((line) => line.role === 'reagent' && line.substance)!
    return {
      lines: [
        ...parts.map((line) => (line === first ? { ...line, role: 'reactant' as const, coefficient: 1 } : line)),
        forming(
          product,
          'product',
          1,
          lines.map(({ id }) => id),
        ),
      ],
      does: 'makes',
      product: product.id,
      reference: first.id,
      balanced: false,
    }
  }
  if (!material) return { lines, does: 'works', balanced: true }
  return isolating(title, lines, material, product, lexicon)
}

function made(
  lines: ProposedLine[],
  product: Substance,
  equation: NonNullable<ReturnType<typeof equationOf>>,
  lexicon: Lexicon,
): Parts {
  const reacting = new Map<string, number>()
  for (const { substance, coefficient } of equation.reactants) {
    const possible = bySubstance(lines, substance.id)
    // Of several bottles of one substance the first that is put in before the work-up reacts.
    const line = possible.find(({ role }) => role === 'reagent') ?? possible[0]
    if (line) reacting.set(line.id, coefficient)
  }
  const ids = lines.map(({ id }) => id)
  const parts = lines.map((line): ProposedLine => {
    const coefficient = reacting.get(line.id)
    if (coefficient !== undefined) return { ...line, role: 'reactant', coefficient }
    return line.role === 'reagent' ? { ...line, role: helper(line, lexicon) } : line
  })
  const forms = [
    forming(product, 'product', equation.product, ids),
    ...equation.byProducts.map(({ substance, coefficient }) => forming(substance, 'by-product', coefficient, ids)),
  ]
  const reactants = parts.filter(({ role }) => role === 'reactant')
  const single = reactants.filter((line) => saidEquivalents(line) === 1)
  return {
    lines: [...parts, ...forms],
    does: 'makes',
    product: forms[0]!.id,
    reference: (single[0] ?? reactants.find(({ anchor }) => anchor) ?? reactants[0] ?? parts[0])!.id,
    balanced: true,
  }
}

const helper = ({ substance, besides }: ProposedLine, lexicon: Lexicon): Role => {
  const little =
    (besides.find(({ kind }) => kind === 'equivalents')?.high ?? 1) < 0.3 || besides.some(({ kind }) => kind === 'mol percent')
  if (little) return 'catalyst'
  if (
    substance?.formula === 'H2SO4' ||
    substance?.id === 'thiamine-hydrochloride' ||
    substance?.id === 'p-toluenesulfonic-acid-monohydrate'
  )
    return 'catalyst'
  return lexicon.solvents.includes(substance?.id ?? '') ? 'solvent' : 'reagent'
}

function isolating(
  title: string,
  lines: ProposedLine[],
  material: ProposedLine,
  product: Substance | undefined,
  lexicon: Lexicon,
): Parts {
  const tests = testing.test(title) && !purifying.test(title)
  const parts = lines.map((line): ProposedLine =>
    line === material || (line.role === 'reagent' && parting.test(title) && line.measure?.kind === material.measure?.kind)
      ? { ...line, role: 'material' }
      : line.role === 'reagent'
        ? { ...line, role: lexicon.solvents.includes(line.substance?.id ?? '') ? 'solvent' : 'reagent' }
        : line,
  )
  if (tests || (!product && (!material.substance || !purifying.test(title))))
    return { lines: parts, does: 'works', reference: material.id, balanced: true }
  const sought = product ?? material.substance!
  const got = {
    ...forming(
      sought,
      'component',
      null,
      lines.map(({ id }) => id),
    ),
  }
  return { lines: [...parts, got], does: 'isolates', product: got.id, reference: material.id, balanced: true }
}
