import { madeThing, thingOfAtoms, type Thing } from './thing'

const ion = (formula: string, name: string): Thing => madeThing(`ion ${formula}`, name, formula)

/** What every watery phase is electroneutral by: protons given in excess, or taken. Both count in the balance of the elements; the pH follows from all other charges (pH.ts). */
export const proton = ion('H^+', 'hydrogen ion')
export const hydroxide = ion('OH^-', 'hydroxide')

/** Cations by the symbol of their element. */
export const cations: Readonly<Record<string, Thing>> = Object.fromEntries(
  (
    [
      ['Li', 'lithium ion', 1],
      ['Na', 'sodium ion', 1],
      ['K', 'potassium ion', 1],
      ['Cs', 'caesium ion', 1],
      ['Ag', 'silver ion', 1],
      ['Mg', 'magnesium ion', 2],
      ['Ca', 'calcium ion', 2],
      ['Ba', 'barium ion', 2],
      ['Zn', 'zinc ion', 2],
      ['Mn', 'manganese(II) ion', 2],
      ['Co', 'cobalt(II) ion', 2],
      ['Ni', 'nickel(II) ion', 2],
      ['Pb', 'lead(II) ion', 2],
      ['Al', 'aluminium ion', 3],
    ] as const
  ).map(([symbol, name, charge]) => [symbol, ion(`${symbol}^${charge === 1 ? '' : charge}+`, name)]),
)

/** Cations of elements that come in several charges: then the anion beside them says which. */
export const manyCharges: Readonly<Record<string, string>> = {
  Cu: 'copper',
  Fe: 'iron',
  Sn: 'tin',
  Hg: 'mercury',
  Cr: 'chromium',
}

export const cationOf = (symbol: string, charge: number): Thing => {
  const fixed = cations[symbol]
  if (fixed && fixed.charge === charge) return fixed
  return thingOfAtoms(
    `ion ${symbol}^${charge === 1 ? '' : charge}+`,
    `${manyCharges[symbol] ?? symbol}(${charge}) ion`,
    { [symbol]: 1 },
    charge,
  )
}

/** Anions of acids that have given their proton in any water. */
export const strongAnions: readonly Thing[] = [
  ion('Cl^-', 'chloride'),
  ion('Br^-', 'bromide'),
  ion('I^-', 'iodide'),
  ion('NO3^-', 'nitrate'),
  ion('SO4^2-', 'sulfate'),
  ion('ClO4^-', 'perchlorate'),
  ion('ClO3^-', 'chlorate'),
  ion('IO3^-', 'iodate'),
  ion('MnO4^-', 'permanganate'),
  ion('Cr2O7^2-', 'dichromate'),
  ion('CrO4^2-', 'chromate'),
  ion('S2O3^2-', 'thiosulfate'),
  ion('SCN^-', 'thiocyanate'),
  ion('BF4^-', 'tetrafluoroborate'),
  ion('CH3SO3^-', 'methanesulfonate'),
  ion('C7H7SO3^-', 'toluenesulfonate'),
]

const part = (formula: string, name: string, more: Parameters<typeof madeThing>[3]): Thing =>
  madeThing(formula, name, formula, more)

/**
 * What takes up or gives off protons in water and is no strong acid or base, each as one component whatever the pH: carbonate is carbon dioxide that took up hydroxide. pKa at 25 °C from the CRC Handbook of Chemistry and Physics,
 * dissociation constants of inorganic acids and bases; not compared with it.
 */
export const weak = {
  carbonDioxide: part('CO2', 'carbon dioxide', { acid: [6.35, 10.33] }),
  sulfurDioxide: part('SO2', 'sulfur dioxide', { acid: [1.85, 7.2] }),
  phosphoric: part('H3PO4', 'phosphoric acid', { acid: [2.15, 7.2, 12.35], solid: true }),
  hydrogenCyanide: part('HCN', 'hydrogen cyanide', { acid: [9.21] }),
  hydrogenSulfide: part('H2S', 'hydrogen sulfide', { acid: [7.05] }),
  hydrazoic: part('HN3', 'hydrazoic acid', { acid: [4.6] }),
  nitrous: part('HNO2', 'nitrous acid', { acid: [3.25] }),
  hypochlorous: part('HOCl', 'hypochlorous acid', { acid: [7.4] }),
  hydrogenFluoride: part('HF', 'hydrogen fluoride', { acid: [3.2] }),
  ammonia: part('NH3', 'ammonia', { base: 9.25 }),
} as const

/**
 * What of a component stays dissolved in open water at 20 °C under 1 bar of it, mol/L; more than that leaves as a gas (CRC Handbook of Chemistry and Physics, solubility of selected gases in water; not compared with it). Ammonia leaves only from what
 * is strong or hot, and is left in.
 */
export const gasHeldMolPerL: ReadonlyMap<Thing, number> = new Map([
  [weak.carbonDioxide, 0.038],
  [weak.sulfurDioxide, 1.7],
  [weak.hydrogenSulfide, 0.11],
  [weak.hydrogenCyanide, 1],
  [weak.hydrazoic, 1],
])
