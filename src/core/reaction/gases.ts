/** A gas that comes off, what it does, and how it is led away. */
export interface Gas {
  name: string
  formula: string
  /** What it does, and where it must go: vent, trap or hood. */
  lead: string
}

/** Gases that come off in a teaching laboratory. What they do: Prudent Practices in the Laboratory, National Research Council; what takes them up: Furniss et al., Vogel's Textbook of Practical Organic Chemistry, ch. 2. */
export const gases = {
  hydrogen: {
    name: 'hydrogen',
    formula: 'H2',
    lead: 'burns and explodes with air: hood, open or vented vessel, nothing that lights it',
  },
  'carbon dioxide': {
    name: 'carbon dioxide',
    formula: 'CO2',
    lead: 'the vessel open, or vented at once: it bursts what is closed',
  },
  oxygen: { name: 'oxygen', formula: 'O2', lead: 'the vessel open; keep flames and solvent vapour away' },
  nitrogen: { name: 'nitrogen', formula: 'N2', lead: 'the vessel open: it bursts what is closed' },
  'hydrogen chloride': {
    name: 'hydrogen chloride',
    formula: 'HCl',
    lead: 'burns the airways: hood, and a trap of water or dilute base behind an upturned funnel, so that nothing is sucked back',
  },
  'hydrogen bromide': {
    name: 'hydrogen bromide',
    formula: 'HBr',
    lead: 'burns the airways: hood, and a trap of water or dilute base behind an upturned funnel, so that nothing is sucked back',
  },
  'sulfur dioxide': {
    name: 'sulfur dioxide',
    formula: 'SO2',
    lead: 'toxic and choking: hood, and a trap of dilute sodium hydroxide',
  },
  'nitrogen oxides': {
    name: 'nitrogen oxides',
    formula: 'NO2',
    lead: 'toxic, and harm shows hours later: hood, and a trap of dilute base',
  },
  ammonia: {
    name: 'ammonia',
    formula: 'NH3',
    lead: 'burns the airways: hood, and a trap of dilute acid that cannot be sucked back',
  },
  chlorine: { name: 'chlorine', formula: 'Cl2', lead: 'toxic: hood, and a trap of dilute sodium hydroxide' },
  'hydrogen cyanide': { name: 'hydrogen cyanide', formula: 'HCN', lead: 'kills in small amounts: it must not come off at all' },
  'hydrogen sulfide': {
    name: 'hydrogen sulfide',
    formula: 'H2S',
    lead: 'kills, and the nose stops smelling it: hood, and a trap of dilute sodium hydroxide',
  },
  'hydrazoic acid': { name: 'hydrazoic acid', formula: 'HN3', lead: 'very toxic and explosive: it must not come off at all' },
  'carbon monoxide': { name: 'carbon monoxide', formula: 'CO', lead: 'kills without a smell: hood' },
  butane: { name: 'butane', formula: 'C4H10', lead: 'burns: hood, vented vessel, nothing that lights it' },
} as const satisfies Record<string, Gas>

export type GasName = keyof typeof gases
