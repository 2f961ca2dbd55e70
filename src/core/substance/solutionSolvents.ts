/** What a solution may be dissolved in besides water, with what decides how it behaves (CRC Handbook; not yet compared with it). */
export const solutionSolvents = {
  hexane: { formula: 'C6H14', smiles: 'CCCCCC', gPerML: 0.659, boilsC: 68.7, groups: [] },
  toluene: { formula: 'C7H8', smiles: 'Cc1ccccc1', gPerML: 0.867, boilsC: 110.6, groups: [] },
  'diethyl ether': { formula: 'C4H10O', smiles: 'CCOCC', gPerML: 0.714, boilsC: 34.6, groups: ['ether'] },
  tetrahydrofuran: { formula: 'C4H8O', smiles: 'C1CCOC1', gPerML: 0.889, boilsC: 66, groups: ['ether'] },
  dichloromethane: { formula: 'CH2Cl2', smiles: 'ClCCl', gPerML: 1.327, boilsC: 39.6, groups: [] },
  'ethyl acetate': { formula: 'C4H8O2', smiles: 'CCOC(C)=O', gPerML: 0.9, boilsC: 77.1, groups: ['ester'] },
  ethanol: { formula: 'C2H6O', smiles: 'CCO', gPerML: 0.789, boilsC: 78.3, groups: ['alcohol'] },
  methanol: { formula: 'CH4O', smiles: 'CO', gPerML: 0.791, boilsC: 64.7, groups: ['alcohol'] },
  acetone: { formula: 'C3H6O', smiles: 'CC(C)=O', gPerML: 0.79, boilsC: 56, groups: ['ketone'] },
  'acetic acid': { formula: 'C2H4O2', smiles: 'CC(=O)O', gPerML: 1.049, boilsC: 118, groups: ['carboxylic acid'] },
} as const

export type SolutionSolvent = keyof typeof solutionSolvents

export const solutionSolventNames = Object.keys(solutionSolvents) as SolutionSolvent[]
