import type { Lexicon, NameTable } from '@/core/reading/handout/names'
import type { Proposal } from '@/core/reading/handout/proposal'
import { propose } from '@/core/reading/handout/propose'
import { proposalOfStructures, structuresKind } from '@/core/reading/handout/scheme'
import type { Substance } from '@/core/substance/substance'
import { tooLong } from './tooLong'

/** What a text proposes: a procedure, or the scheme or substances of a file of structures, or why it can be neither. */
export async function proposalOf(
  text: string,
  lexicon: Lexicon,
  table?: NameTable,
  making?: Substance | null,
): Promise<Proposal | { problem: string }> {
  if (structuresKind(text) === undefined) {
    const problem = tooLong(text)
    return problem === undefined ? propose(text, lexicon, table, making) : { problem }
  }
  // The reader of structures is large, and few texts need it.
  const { structuresOfText, refusalOf } = await import('@/reference/structures/structuresOfText')
  try {
    return proposalOfStructures(text, structuresOfText(text)!)
  } catch (error) {
    return { problem: refusalOf(error) }
  }
}
