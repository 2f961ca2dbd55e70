export const functionalGroups = ['alcohol', 'phenol', 'carboxylic acid', 'amine', 'ester', 'aldehyde', 'ketone', 'ether'] as const

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
  /** Acid makes hydrogen fluoride of it, which goes through glass. */
  'fluoride, by itself',
  /** What water or alcohol still reacts with goes into no container at all. */
  'quenched first, by itself',
  /** What has stood may hold peroxides. */
  'peroxide former, by itself',
  /** It must not dry out, in the container as well. */
  'explosive when dry, kept wet',
] as const

/** Streams that are mostly water: what is watery goes into them. */
export const aqueousStreams: readonly WasteStream[] = ['aqueous, harmless', 'aqueous acid or base']

/** What a label says before its statements; some statements stand without one (CLP, annex I). */
export const signalWords = ['danger', 'warning', 'none'] as const

export type FunctionalGroup = (typeof functionalGroups)[number]
export type SignalWord = (typeof signalWords)[number]
export type WasteStream = (typeof wasteStreams)[number]
