import { Molecule, SSSearcher } from 'openchemlib'
import { reactiveClasses, type ReactiveClass } from '@/core/substance/reactiveClass'

/** What a structure must hold to belong to a class, as fragments. What acts as an acid, an amine, an alcohol and the like is read from its groups. */
const fragments: readonly [ReactiveClass, readonly string[]][] = [
  ['acyl halide', ['C(=O)Cl', 'C(=O)Br']],
  ['water-reactive', ['C(=O)Cl', 'C(=O)Br', 'S(=O)Cl', 'P(Cl)Cl', 'N=C=O']],
  ['acid anhydride', ['C(=O)OC=O']],
  ['organic peroxide', ['COO', 'C(=O)OO']],
  ['peroxide', ['OO']],
  ['nitro compound', ['C[N+](=O)[O-]', 'c[N+](=O)[O-]']],
  ['azide', ['N=[N+]=[N-]']],
  ['diazonium salt', ['c[N+]#N']],
  ['hydrazine', ['NN']],
  ['N-halogen compound', ['NBr', 'NCl', 'NI']],
  ['sulfoxide', ['CS(=O)C']],
]

let searcher: SSSearcher | undefined

/** The reactive classes that a structure shows. */
export function reactiveClassesShown(molecule: Molecule): ReactiveClass[] {
  searcher ??= new SSSearcher()
  searcher.setMolecule(molecule)
  const holds = (smiles: string) => {
    const fragment = Molecule.fromSmiles(smiles)
    fragment.setFragment(true)
    searcher!.setFragment(fragment)
    return searcher!.isFragmentInMolecule()
  }
  const found = new Set<ReactiveClass>(fragments.flatMap(([as, parts]) => (parts.some(holds) ? [as] : [])))
  for (const each of atOneAtom(molecule)) found.add(each)
  return reactiveClasses.filter((each) => found.has(each))
}

/** What stands at a single carbon: a halogen on one that is not aromatic, an alkyne's own hydrogen. */
function* atOneAtom(molecule: Molecule): Generator<ReactiveClass> {
  molecule.ensureHelperArrays(Molecule.cHelperRings)
  for (let atom = 0; atom < molecule.getAllAtoms(); atom++) {
    if (molecule.getAtomicNo(atom) !== 6 || molecule.isAromaticAtom(atom)) continue
    const around = Array.from({ length: molecule.getConnAtoms(atom) }, (_, at) => molecule.getConnAtom(atom, at))
    const single = around.every((other) => molecule.getBondOrder(molecule.getBond(atom, other)) === 1)
    if (single && around.some((other) => [17, 35, 53].includes(molecule.getAtomicNo(other)))) yield 'organic halide'
    if (
      molecule.getAllHydrogens(atom) === 1 &&
      around.some((other) => molecule.getBondOrder(molecule.getBond(atom, other)) === 3)
    )
      yield 'terminal alkyne'
  }
}
