import type { Substance } from './substance'

/** The codes of a substance's hazard statements, such as `EUH019`; none where no hazards are on record. */
export const statementCodes = ({ hazards }: Pick<Substance, 'hazards'>): string[] => hazards?.statements ?? []

/** Extremely flammable, highly flammable and flammable liquid and vapour (Regulation (EC) No 1272/2008, annex III). */
const flammableLiquid: ReadonlySet<string> = new Set(['H224', 'H225', 'H226'])

/** True for a liquid that burns easily, by its statements. */
export const isFlammable = (substance: Pick<Substance, 'hazards'>): boolean =>
  statementCodes(substance).some((code) => flammableLiquid.has(code))
