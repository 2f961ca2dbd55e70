export const functionalGroups = ['alcohol', 'phenol', 'carboxylic acid', 'amine', 'ester', 'aldehyde', 'ketone', 'ether'] as const
export type FunctionalGroup = (typeof functionalGroups)[number]

/** What a label says before its statements; some statements stand without one (CLP, annex I). */
export type SignalWord = 'danger' | 'warning' | 'none'

/** A substance as a plan uses it. Values that are not known are absent. */
export interface Substance {
  id: string
  name: string
  systematicName?: string
  /** Absent for what is no single substance, such as a ground seed or a mixture. */
  formula?: string
  smiles?: string
  density?: { gPerML: number; atC?: number; source: string }
  melting?: { lowC: number; highC: number; source: string }
  boiling?: { lowC: number; highC: number; source: string }
  /** Of the substance as an acid, or of its conjugate acid, in water at 25 °C. */
  pKa?: { values: number[]; ofConjugateAcid?: boolean; source: string }
  /** log10 of the partition coefficient between octan-1-ol and water. */
  logP?: { value: number; source: string }
  /** Vapour pressure: log10(p/mmHg) = a − b/(c + t/°C), good from `fromC` to `toC`. */
  antoine?: { a: number; b: number; c: number; fromC: number; toC: number; source: string }
  /** Groups that decide how it is worked up and dried, one entry for each in the molecule. */
  groups?: FunctionalGroup[]
  /** What it must not meet. */
  incompatible?: { with: string[]; source: string }
  /** Grams of solute that 100 mL of the solvent hold at each temperature. */
  solubility?: { solvent: string; points: { atC: number; gPer100ML: number }[]; source: string }[]
  hazards?: { signal: SignalWord; pictograms: string[]; statements: string[]; source: string }
  /** Where what is left of it goes. */
  waste?: WasteStream
  /** The one thing to say at the bench. */
  caution?: string
}

export const wasteStreams = [
  'aqueous, harmless',
  'aqueous acid or base',
  'other organic',
  'halogenated organic',
  'heavy metal',
  'oxidiser',
  'solid',
  /** No acid may reach it. */
  'cyanide, alkaline, by itself',
  /** What water or alcohol still reacts with goes into no container at all. */
  'quenched first, by itself',
] as const

export type WasteStream = (typeof wasteStreams)[number]
