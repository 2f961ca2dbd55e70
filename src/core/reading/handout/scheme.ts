import { freeId, usualForm } from '../../plan/editPlan'
import type { Role } from '../../plan/lists'
import type { Plan } from '../../plan/plan'
import { emptyPlan } from '../../edit/newPlan'
import { balance } from '../../reaction/balance'
import type { Substance } from '../../substance/substance'
import { disagreed } from './propose'
import type { Disagreement, Proposal, ProposedLine } from './proposal'

/** Structures of a file as they stand in it, one entry for each molecule; the same twice counts twice. */
export interface Structures {
  title: string
  reactants: readonly Substance[]
  agents: readonly Substance[]
  products: readonly Substance[]
  /** Substances that stand in no reaction. */
  alone: readonly Substance[]
  /** What of the file was not taken, in words. */
  notTaken: readonly string[]
}

/** What kind of file of structures a text is; undefined for a procedure. */
export function structuresKind(text: string): 'rxn' | 'rdf' | 'sdf' | 'smiles' | undefined {
  const start = text.slice(0, 400)
  if (/^\s*\$RXN/.test(start)) return 'rxn'
  if (/^\s*\$RDFILE/.test(start)) return 'rdf'
  if (/^M {2}END/m.test(text) && /V[23]000/.test(text)) return 'sdf'
  return /^\s*[^\s>]+>[^\s>]*>[^\s>]+(?:\s+\S.*)?\s*$/.test(text) && !/\n\s*\S/.test(text.trim()) ? 'smiles' : undefined
}

const counted = (all: readonly Substance[]) => {
  const found = new Map<string, { substance: Substance; count: number }>()
  for (const substance of all) {
    const before = found.get(substance.id)
    found.set(substance.id, { substance, count: (before?.count ?? 0) + 1 })
  }
  return [...found.values()]
}

const asPlan = (lines: readonly ProposedLine[]): Plan => ({
  ...emptyPlan(''),
  substances: lines.flatMap(({ substance }) => (substance ? [substance] : [])),
  lines: lines.map(({ id, substance, role, coefficient, form, anchor }) => ({
    id,
    substance: substance!.id,
    role,
    coefficient,
    form,
    anchor,
  })),
})

/** The lines of a scheme, or substances for a table, as a proposal; a text without a procedure has no steps. */
export function proposalOfStructures(text: string, structures: Structures): Proposal {
  const { reactants, agents, products, alone, title } = structures
  const taken: string[] = []
  const line = (role: Role, { substance, count }: { substance: Substance; count: number }): ProposedLine => {
    const id = freeId(substance.id, taken)
    taken.push(id)
    const inEquation = role !== 'reagent'
    return {
      id,
      spans: [],
      written: substance.name,
      substance,
      form: usualForm(substance),
      anchor: null,
      role,
      coefficient: inEquation ? count : null,
      asks: [],
      besides: [],
      ...(role === 'product' || role === 'by-product' ? { follows: true as const } : {}),
    }
  }
  const lines = [
    ...counted(reactants).map((each) => line('reactant', each)),
    ...counted([...agents, ...alone]).map((each) => line('reagent', each)),
    // The first is what is made.
    ...counted(products).map((each, index) => line(index === 0 ? 'product' : 'by-product', each)),
  ]
  const product = lines.find(({ role }) => role === 'product')?.id
  const reference = lines.find(({ role }) => role === 'reactant')?.id ?? lines[0]?.id
  const proposal: Proposal = {
    read: {
      text,
      plain: text,
      table: [],
      steps: [],
      sayings: [],
      figures: [],
      names: [],
      sentences: [],
      schemes: [],
      headings: [],
    },
    title,
    does: product ? 'makes' : 'works',
    ...(product ? { product } : {}),
    ...(reference ? { reference } : {}),
    lines,
    steps: [],
    balanced: products.length === 0 || balance(asPlan(lines)).imbalances.length === 0,
    disagreements: structures.notTaken.map((words, index): Disagreement => ({
      id: `not-taken-${index}`,
      title: 'Not all of the file was taken.',
      words,
      at: [],
    })),
    left: [],
  }
  return { ...proposal, disagreements: [...proposal.disagreements, ...disagreed(proposal)] }
}
