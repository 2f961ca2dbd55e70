import { Molecule, Reaction } from 'openchemlib'
import type { Structures } from '@/core/reading/handout/scheme'
import { structuresKind } from '@/core/reading/handout/scheme'
import type { Substance } from '@/core/substance/substance'
import { forPlan } from '../records'
import { groupsOf } from './functionalGroups'
import { reactiveClassesShown } from './reactiveGroups'
import { mostAtoms, readStructure, recordWith, StructureError } from './readStructure'

/** More entries than a course has substances are no file for a plan. */
const mostEntries = 60

const idOf = (name: string) => {
  const plain = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
  return /^[a-z]/.test(plain) ? plain : `n-${plain}`
}

/** A molecule as a plan takes it: its record where there is one, else by its own structure. */
function substanceOf(molecule: Molecule, called?: string): Substance {
  const { formula } = molecule.getMolecularFormula()
  const record = recordWith(molecule.getIDCode(), formula)
  if (record) return forPlan(record)
  const name = called?.trim() || formula
  const groups = groupsOf(molecule)
  return {
    id: idOf(`${name}${called ? '' : `-${molecule.getIDCode()}`}`),
    name,
    formula,
    smiles: molecule.toIsomericSmiles(),
    ...(groups.length > 0 ? { groups } : {}),
    classes: reactiveClassesShown(molecule),
  }
}

/** Parts of a SMILES string as substances; what is charged goes with what neutralises it. */
function parts(smiles: string): Substance[] {
  if (smiles === '') return []
  const found: Substance[] = []
  let open: string[] = []
  for (const piece of smiles.split('.')) {
    open.push(piece)
    const molecule = readStructure(open.join('.'))
    const charge = Array.from({ length: molecule.getAllAtoms() }, (_, atom) => molecule.getAtomCharge(atom)).reduce(
      (sum, each) => sum + each,
      0,
    )
    if (charge !== 0) continue
    found.push(substanceOf(molecule))
    open = []
  }
  if (open.length > 0) found.push(substanceOf(readStructure(open.join('.'))))
  return found
}

const empty: Structures = { title: '', reactants: [], agents: [], products: [], alone: [], notTaken: [] }

function ofSmiles(text: string): Structures {
  const [scheme = '', ...title] = text.trim().split(/\s+/)
  const [left = '', over = '', right = ''] = scheme.split('>')
  return { ...empty, title: title.join(' '), reactants: parts(left), agents: parts(over), products: parts(right) }
}

function ofRxn(text: string): Structures {
  const reaction = Reaction.fromRxn(text)
  if (!reaction) throw new StructureError('This RXN file cannot be read.')
  const all = (count: number, of: (index: number) => Molecule) => Array.from({ length: count }, (_, index) => of(index))
  const molecules = {
    reactants: all(reaction.getReactants(), (index) => reaction.getReactant(index)),
    agents: all(reaction.getCatalysts(), (index) => reaction.getCatalyst(index)),
    products: all(reaction.getProducts(), (index) => reaction.getProduct(index)),
  }
  if (Object.values(molecules).some((list) => list.some((molecule) => molecule.getAllAtoms() > mostAtoms)))
    throw new StructureError(`A structure may have up to ${mostAtoms} atoms.`)
  if (molecules.reactants.length + molecules.products.length === 0) throw new StructureError('This RXN file cannot be read.')
  const title = text.split(/\r?\n/)[1]?.trim() ?? ''
  return {
    ...empty,
    title,
    reactants: molecules.reactants.map((molecule) => substanceOf(molecule)),
    agents: molecules.agents.map((molecule) => substanceOf(molecule)),
    products: molecules.products.map((molecule) => substanceOf(molecule)),
  }
}

function ofRdf(text: string): Structures {
  const blocks = text.split(/^\$RFMT.*$/m).flatMap((block) => {
    const at = block.indexOf('$RXN')
    return at < 0 ? [] : [block.slice(at).split(/^\$DTYPE/m)[0]!]
  })
  if (blocks.length === 0) throw new StructureError('This RDF file holds no reaction.')
  const first = ofRxn(blocks[0]!)
  return blocks.length === 1
    ? first
    : { ...first, notTaken: [`It holds ${blocks.length} reactions; the first was read. Cut the others into files of their own.`] }
}

/** A field of an entry that names it. */
const nameIn = (entry: string) => /^>\s+<(?:[^>]*name[^>]*|title)>.*\r?\n(.+)$/im.exec(entry)?.[1]

function ofSdf(text: string): Structures {
  const entries = text.split(/^\$\$\$\$.*\r?\n?/m).filter((entry) => /M {2}END/.test(entry))
  const alone: Substance[] = []
  const wrong: number[] = []
  for (const [index, entry] of entries.slice(0, mostEntries).entries()) {
    try {
      alone.push(substanceOf(readStructure(entry), nameIn(entry) ?? entry.split(/\r?\n/)[0]))
    } catch {
      wrong.push(index + 1)
    }
  }
  if (alone.length === 0) throw new StructureError('No structure of this SDF file can be read.')
  return {
    ...empty,
    alone,
    notTaken: [
      ...(wrong.length > 0 ? [`Entry ${wrong.join(', ')} cannot be read.`] : []),
      ...(entries.length > mostEntries ? [`Of ${entries.length} entries the first ${mostEntries} were read.`] : []),
    ],
  }
}

/** The structures of an RXN, RDF or SDF file or of reaction SMILES; undefined for other text. @throws StructureError */
export function structuresOfText(text: string): Structures | undefined {
  switch (structuresKind(text)) {
    case 'rxn':
      return ofRxn(text)
    case 'rdf':
      return ofRdf(text)
    case 'sdf':
      return ofSdf(text)
    case 'smiles':
      return ofSmiles(text)
    default:
      return undefined
  }
}

/** Why structures were refused, in words; what no reader foresaw is said in general. */
export const refusalOf = (error: unknown): string =>
  error instanceof StructureError
    ? error.message
    : 'These structures cannot be read. Take reaction SMILES, or an RXN, RDF or SDF file that ends as its format asks.'
