import { atomsOf, noAtoms, plusAtoms, type Thing } from './thing'

/** Grams of a salt that 100 mL of water hold: cold, at 20 °C, and at the boil. */
interface Sparing {
  name: string
  formula: string
  smiles?: string
  coldG: number
  hotG: number
}

/** Salts that hardly dissolve, or less than a teaching laboratory takes of them: CRC Handbook of Chemistry and Physics, aqueous solubility of inorganic compounds, and solubility products; not compared with it. */
export const sparing: readonly Sparing[] = [
  { name: 'calcium carbonate', formula: 'CaCO3', coldG: 0.0013, hotG: 0.002 },
  { name: 'calcium hydroxide', formula: 'CaH2O2', coldG: 0.17, hotG: 0.08 },
  { name: 'calcium sulfate dihydrate', formula: 'CaSO4·2H2O', coldG: 0.24, hotG: 0.22 },
  { name: 'calcium sulfate', formula: 'CaSO4', coldG: 0.21, hotG: 0.16 },
  { name: 'calcium tartrate tetrahydrate', formula: 'C4H4CaO6·4H2O', coldG: 0.04, hotG: 0.2 },
  { name: 'potassium hydrogen tartrate', formula: 'C4H5KO6', coldG: 0.57, hotG: 6.1 },
  { name: 'magnesium hydroxide', formula: 'MgH2O2', coldG: 0.0007, hotG: 0.004 },
  { name: 'magnesium carbonate', formula: 'MgCO3', coldG: 0.02, hotG: 0.02 },
  { name: 'barium sulfate', formula: 'BaSO4', coldG: 0.0003, hotG: 0.0004 },
  { name: 'barium carbonate', formula: 'BaCO3', coldG: 0.0014, hotG: 0.006 },
  { name: 'silver chloride', formula: 'AgCl', coldG: 0.0002, hotG: 0.002 },
  { name: 'silver bromide', formula: 'AgBr', coldG: 0.00001, hotG: 0.0004 },
  { name: 'silver iodide', formula: 'AgI', coldG: 0.0000003, hotG: 0.0001 },
  { name: 'zinc hydroxide', formula: 'ZnH2O2', coldG: 0.0004, hotG: 0.001 },
  { name: 'zinc carbonate', formula: 'ZnCO3', coldG: 0.005, hotG: 0.005 },
  { name: 'aluminium hydroxide', formula: 'AlH3O3', coldG: 0.0001, hotG: 0.0001 },
  { name: 'lead sulfate', formula: 'PbSO4', coldG: 0.004, hotG: 0.005 },
]

const read = sparing.map((row) => ({ ...row, atoms: atomsOf(row.formula)!.atoms }))

/** Where the two columns stand, °C. */
const [coldC, hotC] = [20, 100]

/**
 * Grams of a salt that 100 mL of water hold at a temperature: by its record, else by the table, between whose columns the logarithm runs straight. Null for one that neither has: then it dissolves as far as a bench ever asks, or nobody knows how far.
 */
export function saltDissolvesG(thing: Thing, atC: number): number | null {
  let curve = curves.get(thing)
  if (curve === undefined) {
    curve = curveOf(thing)
    curves.set(thing, curve)
  }
  return curve && onLine(curve, atC)
}

type Curve = readonly (readonly [atC: number, g: number])[]
const curves = new WeakMap<Thing, Curve | null>()

function curveOf(thing: Thing): Curve | null {
  const points = thing.substance.solubility?.find(({ solvent }) => solvent === 'water')?.points
  if (points && points.length > 0) return points.map(({ atC, gPer100ML }) => [atC, gPer100ML] as const).sort(([a], [b]) => a - b)
  const row = read.find(({ atoms }) => thing.atoms && noAtoms(plusAtoms(atoms, thing.atoms, -1)))
  return row
    ? [
        [coldC, row.coldG],
        [hotC, row.hotG],
      ]
    : null
}

/** A logarithm that runs straight with the temperature between the two nearest points, and stays level beyond them. */
function onLine(sorted: Curve, atC: number): number {
  const [first, last] = [sorted[0]!, sorted.at(-1)!]
  if (atC <= first[0]) return first[1]
  if (atC >= last[0]) return last[1]
  const at = sorted.findIndex(([up]) => up >= atC)
  const [[lowC, low], [highC, high]] = [sorted[at - 1]!, sorted[at]!]
  return Math.exp(Math.log(low) + ((atC - lowC) / (highC - lowC)) * Math.log(high / low))
}
