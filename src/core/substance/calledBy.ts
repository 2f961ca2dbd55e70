import type { Substance } from './substance'

/**
 * The substance that a person means by what was typed into a blank, or a record by what it names: by its id, or by its name as a whole. It is the one place where a name is looked up; what it finds decides by its fields.
 */
export function calledBy<S extends Pick<Substance, 'id' | 'name'>>(substances: readonly S[], said: unknown): S | undefined {
  return substances.find(({ id }) => id === said) ?? substances.find(({ name }) => name === said)
}
