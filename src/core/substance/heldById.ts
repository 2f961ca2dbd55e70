import type { Reading } from '../quantity/readQuantity'
import { calledBy } from './calledBy'
import type { Substance } from './substance'

type Named = Pick<Substance, 'id' | 'name'>

/** The substance that a blank or a record holds by its id; undefined for what was typed and is none of those that are known. */
export const heldById = <S extends Named>(substances: readonly S[], held: unknown): S | undefined =>
  substances.find(({ id }) => id === held)

/** What is printed for it: its name, or what was typed. */
export const nameOfHeld = (substances: readonly Named[], held: unknown): string =>
  heldById(substances, held)?.name ?? String(held ?? '')

/** The same where it is typed: what has to be known and is not is refused, with what would be right. */
export function readSubstance(
  substances: readonly Named[],
  text: string,
  holds: 'substance' | 'known substance',
): Reading<string> {
  const value = readHeld(substances, text)
  if (holds === 'substance' || heldById(substances, value)) return { ok: true, value }
  const names = [...new Set(substances.map(({ name }) => name))]
  return { ok: false, problem: `No substance here is called “${text}”. There are: ${names.join(', ') || 'none yet'}.` }
}

/** What a blank holds of what a person typed or chose, or of what an older file has: the id of the substance that is called so, else the words as they are. */
export const readHeld = (substances: readonly Named[], text: string): string => calledBy(substances, text)?.id ?? text
