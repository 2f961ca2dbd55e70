import type { Substance } from './substance'

/** True for what burns easily, by its statements. */
export function isFlammable({ hazards }: Pick<Substance, 'hazards'>): boolean {
  return hazards?.statements.some((statement) => /^H22[456]/.test(statement)) ?? false
}
