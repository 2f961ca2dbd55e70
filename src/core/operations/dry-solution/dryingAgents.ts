import type { FunctionalGroup } from '../../substance/lists'

export interface DryingAgent {
  name: string
  formula: string
  /** Grams of water that a gram holds in its highest hydrate, from the molar masses. */
  gWaterPerG: number
  /** Minutes to leave it. */
  waitMin: { low: number; high: number }
  /** Groups that it binds or reacts with. */
  against: readonly FunctionalGroup[]
  why: string
}

/** Molar masses, g/mol: MgSO4 120.37, Na2SO4 142.04, CaCl2 110.98, K2CO3 138.21, CaSO4 136.14, H2O 18.015. */
const hydrate = (waters: number, molarMass: number) => (waters * 18.015) / molarMass

/** Drying agents for solutions (Furniss et al., Vogel's Textbook of Practical Organic Chemistry, ch. 2.23). */
export const dryingAgents: readonly DryingAgent[] = [
  {
    name: 'magnesium sulfate',
    formula: 'MgSO4',
    gWaterPerG: hydrate(7, 120.37),
    waitMin: { low: 5, high: 10 },
    against: [],
    why: 'fast and thorough, slightly acidic, a fine powder that must be filtered off',
  },
  {
    name: 'sodium sulfate',
    formula: 'Na2SO4',
    gWaterPerG: hydrate(10, 142.04),
    waitMin: { low: 15, high: 30 },
    against: [],
    why: 'neutral and coarse, so it decants, but slow and it leaves more water behind',
  },
  {
    name: 'calcium chloride',
    formula: 'CaCl2',
    gWaterPerG: hydrate(6, 110.98),
    waitMin: { low: 20, high: 30 },
    against: ['alcohol', 'phenol', 'amine', 'carboxylic acid', 'ketone', 'aldehyde', 'ester'],
    why: 'cheap and thorough for hydrocarbons, halides and ethers; it holds alcohols, phenols and amines, and some ketones, aldehydes and esters',
  },
  {
    name: 'potassium carbonate',
    formula: 'K2CO3',
    gWaterPerG: hydrate(1.5, 138.21),
    waitMin: { low: 15, high: 30 },
    against: ['carboxylic acid', 'phenol'],
    why: 'basic: for amines and alcohols, not for acids or phenols',
  },
  {
    name: 'calcium sulfate',
    formula: 'CaSO4',
    gWaterPerG: hydrate(0.5, 136.14),
    waitMin: { low: 5, high: 15 },
    against: [],
    why: 'fast and neutral, but it holds little: after a first drying with another',
  },
]

/** What dries as well but is not proposed, with what it reacts with. */
const notProposed: readonly Pick<DryingAgent, 'formula' | 'against' | 'why'>[] = [
  {
    formula: 'KOH',
    against: ['carboxylic acid', 'phenol', 'ester', 'aldehyde'],
    why: 'strongly basic: it splits esters and takes acids and phenols up',
  },
]

/** The group of a product that speaks against a substance as its drying agent, with the reason; undefined where none does, or it is no drying agent. */
export function speaksAgainst(
  formula: string | undefined,
  groups: readonly FunctionalGroup[],
): { group: FunctionalGroup; why: string } | undefined {
  const agent = [...dryingAgents, ...notProposed].find((each) => each.formula === formula)
  const group = agent?.against.find((each) => groups.includes(each))
  return agent && group && { group, why: agent.why }
}

/** Each agent for a product with these groups: what speaks for it, or which group speaks against it; the laboratory's own first among those that will do. */
export function agentsFor(
  groups: readonly FunctionalGroup[],
  preferred: string,
): { agent: DryingAgent; against?: FunctionalGroup }[] {
  const judged = dryingAgents.map((agent) => {
    const against = agent.against.find((group) => groups.includes(group))
    return { agent, ...(against ? { against } : {}) }
  })
  const rank = ({ agent, against }: (typeof judged)[number]) => (against ? 2 : agent.name === preferred ? 0 : 1)
  return [...judged].sort((a, b) => rank(a) - rank(b))
}

/** Grams of water that 100 g of a solvent hold at 20 °C, by its record's id (handbook values; ether, ethyl acetate and dichloromethane after domain practice: 1.3, 3 and 0.2). */
export const waterInSolvent: Readonly<Record<string, number>> = {
  'diethyl-ether': 1.3,
  'ethyl-acetate': 3,
  dichloromethane: 0.2,
  toluene: 0.05,
  hexane: 0.01,
  chloroform: 0.08,
}

export interface DryingDose {
  /** Water dissolved in the solvent and hanging in it as droplets, g. */
  waterG: number
  /** About 1 g of agent to 25 mL. */
  firstDoseG: number
  /** The least that can hold all of the water, g. */
  leastG: number
}

/** How much agent: a first dose of 1 g to 25 mL, and what its hydrate needs for the water, dissolved and as droplets. */
export function dryingDose(
  { volumeML, gPerML, gWaterPer100G, dropletsML }: Record<'volumeML' | 'gPerML' | 'gWaterPer100G' | 'dropletsML', number>,
  agent: DryingAgent,
): DryingDose {
  const waterG = (volumeML * gPerML * gWaterPer100G) / 100 + dropletsML
  return { waterG, firstDoseG: volumeML / 25, leastG: waterG / agent.gWaterPerG }
}
