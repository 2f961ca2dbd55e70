import { ionsOf } from './ions'
import { noAtoms, plusAtoms, thingOf, type Thing } from './thing'

const of = (formula: string, smiles?: string): Thing =>
  thingOf({ id: formula, name: formula, formula, ...(smiles === undefined ? {} : { smiles }) }, true)
const tartaric = { ...of('C4H6O6'), acid: [3, 4.4] }
const acids = (atoms: Readonly<Record<string, number>>) => (noAtoms(plusAtoms(atoms, tartaric.atoms!, -1)) ? tartaric : undefined)
const written = (thing: Thing) => {
  const found = ionsOf(thing, acids)
  return found && [...found.parts.map(([part, moles]) => `${moles} ${part.name}`), `${found.water} water`].join(' + ')
}

test.each([
  // What each salt is in water, as a textbook of general chemistry writes it; carbonate as carbon dioxide with hydroxide.
  ['NaCl', '[Na+].[Cl-]', '1 sodium ion + 1 chloride + 0 water'],
  ['NaCl', undefined, '1 sodium ion + 1 chloride + 0 water'],
  ['HCl', 'Cl', '1 chloride + 1 hydrogen ion + 0 water'],
  ['H2SO4', 'OS(=O)(=O)O', '1 sulfate + 2 hydrogen ion + 0 water'],
  ['KHSO4', '[K+].OS([O-])(=O)=O', '1 potassium ion + 1 sulfate + 1 hydrogen ion + 0 water'],
  ['NaHCO3', '[Na+].OC([O-])=O', '1 sodium ion + 1 carbon dioxide + 1 hydroxide + 0 water'],
  ['Na2CO3', '[Na+].[Na+].[O-]C([O-])=O', '2 sodium ion + 1 carbon dioxide + 2 hydroxide + -1 water'],
  ['CaCO3', undefined, '1 calcium ion + 1 carbon dioxide + 2 hydroxide + -1 water'],
  ['CaH2O2', undefined, '1 calcium ion + 2 hydroxide + 0 water'],
  ['MgSO4·7H2O', '[Mg+2].[O-]S([O-])(=O)=O.O.O.O.O.O.O.O', '1 magnesium ion + 1 sulfate + 7 water'],
  ['NH4Cl', '[NH4+].[Cl-]', '1 ammonia + 1 hydrogen ion + 1 chloride + 0 water'],
  ['MgBrOH', undefined, '1 magnesium ion + 1 bromide + 1 hydroxide + 0 water'],
  ['FeCl3', undefined, '1 iron(3) ion + 3 chloride + 0 water'],
  ['C4H5KO6', undefined, '1 potassium ion + 1 C4H6O6 + 1 hydroxide + -1 water'],
  ['C4H4CaO6·4H2O', undefined, '1 calcium ion + 1 C4H6O6 + 2 hydroxide + 2 water'],
  ['C7H5NaO2', '[Na+].[O-]C(=O)c1ccccc1', '1 sodium ion + 1 acid of C7H5NaO2 + 1 hydroxide + -1 water'],
  ['C6H8ClN', 'Cl.Nc1ccccc1', '1 chloride + 1 hydrogen ion + 1 amine of C6H8ClN + 0 water'],
  ['C6H8ClN', '[Cl-].[NH3+]c1ccccc1', '1 chloride + 1 amine of C6H8ClN + 1 hydrogen ion + 0 water'],
  ['C16H36BrN', '[Br-].CCCC[N+](CCCC)(CCCC)CCCC', '1 bromide + 1 cation of C16H36BrN + 0 water'],
])('%s %s is %s', (formula, smiles, wanted) => expect(written(of(formula, smiles))).toBe(wanted))

test.each([
  ['a hydride, which water takes apart', 'NaH', '[Na+].[H-]'],
  ['a borohydride', 'NaBH4', '[Na+].[BH4-]'],
  ['a metal', 'Zn', undefined],
  ['an alcohol', 'C2H6O', 'CCO'],
  ['an acid chloride', 'C2H3ClO', 'CC(=O)Cl'],
  ['thionyl chloride', 'SOCl2', 'ClS(Cl)=O'],
])('%s stays whole', (_what, formula, smiles) => expect(written(of(formula, smiles))).toBeNull())
