import type { Substance } from './substance'

/**
 * The substance that a person means by what was typed into a blank: by its id, or by its name as a whole. Only the reader of blanks asks it (heldById); rules have ids.
 */
export function calledBy<S extends Pick<Substance, 'id' | 'name'>>(substances: readonly S[], said: unknown): S | undefined {
  return substances.find(({ id }) => id === said) ?? substances.find(({ name }) => name === said)
}
