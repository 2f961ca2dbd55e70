import { Molecule } from 'openchemlib'
import type { Substance } from '@/core/plan/plan'
import { molarMass } from '@/core/substance/molarMass'
import type { SubstanceRecord } from '@/core/substance/record'
import { FormulaError, readFormula } from '@/core/substance/readFormula'
import { sameAtoms } from '@/core/substance/sameAtoms'
import { searchSubstances, substanceIndex } from '@/core/substance/search'
import { precautionsFor, statementText } from '@/reference/hazardStatements'
import { forPlan, substanceRecords } from '@/reference/records'
import { groupsOf } from './functionalGroups'
import { Refusal } from './refusal'
import { drawStructure } from './structures'

const index = substanceIndex(substanceRecords)

/** A substance as a search answers it: what a plan takes, and its picture. */
export interface FoundSubstance {
  substance: Substance
  synonyms: string[]
  /** g/mol; null for a mixture. */
  molarMass: number | null
  drawing: string | null
}

/** Records found by any name or formula, best first. */
export function findSubstances(text: string, most?: number): FoundSubstance[] {
  return searchSubstances(index, text, most).map(found)
}

/** What the search of the Reference looks through: every record in the order of the alphabet. */
export const substanceList = substanceRecords
  .map(({ id, name, synonyms, formula }) => ({ id, name, synonyms: synonyms ?? [], formula }))
  .sort((a, b) => a.name.localeCompare(b.name))

/** One record as its card shows it, statements with their full texts; null where there is none. */
export function substanceCard(id: string) {
  const record = substanceRecords.find((candidate) => candidate.id === id)
  if (!record) return null
  const hazards = record.hazards?.statements ?? []
  return {
    record,
    molarMass: molarMass(record.formula),
    drawing: record.smiles ? drawStructure(record.smiles, record.name) : null,
    hazards: hazards.map(statementText),
    precautions: precautionsFor(hazards).map(statementText),
  }
}

export type SubstanceCard = NonNullable<ReturnType<typeof substanceCard>>

function found(record: SubstanceRecord): FoundSubstance {
  return {
    substance: forPlan(record),
    synonyms: record.synonyms ?? [],
    molarMass: molarMass(record.formula),
    drawing: record.smiles ? drawStructure(record.smiles, record.name) : null,
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
export function readSubstance({
  name,
  formula = '',
  structure = '',
  mixture = false,
}: WrittenSubstance): FoundSubstance & { same: string | null } {
  if (name.trim() === '') throw new Refusal(400, 'Give the substance a name.', { field: 'name' })
  if (mixture)
    return { substance: { id: name.trim(), name: name.trim() }, synonyms: [], molarMass: null, drawing: null, same: null }
  const typed = formula.trim()
  if (typed === '' && structure.trim() === '')
    throw new Refusal(400, 'Give a formula such as C7H8O, or a structure as SMILES or molfile.', { field: 'formula' })
  if (typed !== '') checkFormula(typed)
  const molecule = structure.trim() === '' ? null : readStructure(structure)
  const drawn = molecule?.getMolecularFormula().formula
  if (molecule && typed !== '' && !sameAtoms(typed, drawn!))
    throw new Refusal(400, `The structure is ${drawn}, the formula says ${typed}. Correct one of them.`, { field: 'formula' })
  const same = molecule ? substanceRecords.find(({ smiles }) => smiles && codeOf(smiles) === molecule.getIDCode()) : undefined
  const groups = molecule ? groupsOf(molecule) : []
  const own: SubstanceRecord = {
    id: name.trim(),
    name: name.trim(),
    formula: typed || drawn!,
    ...(molecule ? { smiles: molecule.toIsomericSmiles(), ...(groups.length > 0 ? { groups } : {}) } : {}),
  }
  return { ...found(same ? { ...same, name: own.name } : own), same: same?.name ?? null }
}

function checkFormula(formula: string): void {
  try {
    readFormula(formula)
  } catch (error) {
    if (!(error instanceof FormulaError)) throw error
    throw new Refusal(400, `“${formula}”, character ${error.at + 1}: ${error.message}`, { field: 'formula' })
  }
}

function readStructure(text: string): Molecule {
  try {
    const molecule = /V[23]000|M {2}END/.test(text) ? Molecule.fromMolfile(text) : Molecule.fromSmiles(text.trim())
    if (molecule.getAllAtoms() > 0) return molecule
  } catch {
    // The reader's own message names nothing a chemist could use.
  }
  throw new Refusal(400, 'This is neither SMILES (such as CC(=O)O) nor a molfile that ends with “M  END”.', {
    field: 'structure',
  })
}

const codes = new Map<string, string>()

function codeOf(smiles: string): string {
  let code = codes.get(smiles)
  if (code === undefined) {
    code = Molecule.fromSmiles(smiles).getIDCode()
    codes.set(smiles, code)
  }
  return code
}
