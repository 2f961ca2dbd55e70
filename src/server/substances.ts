import type { FoundSubstance } from '@/views/plans'
import { stockSolutions, wordsOfSolution } from '@/reference/solutions'
import { molarMass } from '@/core/substance/molarMass'
import type { SubstanceRecord } from '@/core/substance/record'
import { FormulaError, readFormula } from '@/core/substance/readFormula'
import { sameAtoms } from '@/core/substance/sameAtoms'
import { isCalled, nearestSubstances, searchSubstances, substanceIndex } from '@/core/substance/search'
import { precautionsFor, statementText } from '@/reference/hazardStatements'
import { forPlan, substanceRecords } from '@/reference/records'
import { valuesOf, withComparisons, type Comparison } from '@/reference/compared'
import { Refusal } from './refusal'
import { understandStructure } from './structures/structureReader'
import { drawStructure } from './structures/structures'

const index = substanceIndex(substanceRecords)
const stocks = stockSolutions.map((stock) => ({ stock, words: wordsOfSolution(stock) }))
const mostSolutions = 3

/** Records found by any name or formula, best first, as the course knows them: with what it has compared. */
export function findSubstances(text: string, comparisons: readonly Comparison[] = []): FoundSubstance[] {
  const called = text.trim() === '' ? [] : stocks.filter(({ words }) => isCalled(words, text))
  const ready = called.slice(0, mostSolutions).map(({ stock }) => {
    const record = substanceRecords.find(({ id }) => id === stock.of)!
    return { ...found(withComparisons(record, comparisons)), form: stock.form, solution: stock.name }
  })
  const substances = searchSubstances(index, text).map((record) => found(withComparisons(record, comparisons)))
  // A solution stands after the substances that are called so, unless none is.
  return [...substances, ...ready]
}

/** Records whose names are nearest to what no name holds. */
export function substancesNear(text: string, comparisons: readonly Comparison[] = []): FoundSubstance[] {
  return nearestSubstances(index, text).map((record) => found(withComparisons(record, comparisons)))
}

/** What the search of the Reference looks through: every record in the order of the alphabet. */
export const substanceList = substanceRecords
  .map(({ id, name, synonyms, formula }) => ({ id, name, synonyms: synonyms ?? [], formula }))
  .sort((a, b) => a.name.localeCompare(b.name))

/** One record as its card shows it to a course, statements with their full texts; null where there is none. */
export async function substanceCard(id: string, comparisons: readonly Comparison[] = []) {
  const plain = substanceRecords.find((candidate) => candidate.id === id)
  if (!plain) return null
  const record = withComparisons(plain, comparisons)
  const current = new Map(valuesOf(plain).map(({ what, value }) => [what, value]))
  const hazards = record.hazards?.statements ?? []
  return {
    record,
    compared: comparisons.filter((each) => each.record === id && current.get(each.what) === each.value).map(({ what }) => what),
    molarMass: record.formula === undefined ? null : molarMass(record.formula),
    drawing: await drawStructure(record.smiles, record.name),
    hazards: hazards.map(statementText),
    precautions: precautionsFor(hazards).map(statementText),
  }
}

function found(record: SubstanceRecord): FoundSubstance {
  return {
    substance: forPlan(record),
    synonyms: record.synonyms ?? [],
    molarMass: record.formula === undefined ? null : molarMass(record.formula),
  }
}

export interface WrittenSubstance {
  name: string
  formula?: string | undefined
  /** SMILES, or the text of a molfile or of the first entry of an SDF. */
  structure?: string | undefined
  /** True for a mixture or a natural material, which has neither. */
  mixture?: boolean | undefined
}

/**
 * A substance of one's own: name with a formula, a structure, or both, which must then agree. `same` is the record with the same structure
 * under another name, where there is one. @throws Refusal 400 with what is wrong and what would be right
 */
export async function readSubstance({
  name,
  formula = '',
  structure = '',
  mixture = false,
}: WrittenSubstance): Promise<FoundSubstance & { drawing: string | null; same: string | null }> {
  if (name.trim() === '') throw new Refusal(400, 'Give the substance a name.', { field: 'name' })
  if (mixture)
    return { substance: { id: name.trim(), name: name.trim() }, synonyms: [], molarMass: null, drawing: null, same: null }
  const typed = formula.trim()
  if (typed === '' && structure.trim() === '')
    throw new Refusal(400, 'Give a formula such as C7H8O, or a structure as SMILES or molfile.', { field: 'formula' })
  if (typed !== '') checkFormula(typed)
  const drawn = structure.trim() === '' ? null : await understandStructure(structure)
  if (drawn && typed !== '' && !sameAtoms(typed, drawn.formula))
    throw new Refusal(400, `The structure is ${drawn.formula}, the formula says ${typed}. Correct one of them.`, {
      field: 'formula',
    })
  const same = drawn?.same ? substanceRecords.find((record) => record.name === drawn.same) : undefined
  const own: SubstanceRecord = {
    id: name.trim(),
    name: name.trim(),
    formula: typed || drawn!.formula,
    ...(drawn
      ? {
          smiles: drawn.smiles,
          ...(drawn.groups.length > 0 ? { groups: drawn.groups } : {}),
          ...(drawn.classes.length > 0 ? { classes: drawn.classes } : {}),
        }
      : {}),
  }
  const record = same ? { ...withComparisons(same, []), name: own.name } : own
  return { ...found(record), drawing: await drawStructure(record.smiles, record.name), same: same?.name ?? null }
}

function checkFormula(formula: string): void {
  try {
    readFormula(formula)
  } catch (error) {
    if (!(error instanceof FormulaError)) throw error
    throw new Refusal(400, `“${formula}”, character ${error.at + 1}: ${error.message}`, { field: 'formula' })
  }
}
