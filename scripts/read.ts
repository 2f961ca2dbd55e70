import { readFileSync } from 'node:fs'
import path from 'node:path'
import { handoutJson } from '@/core/format/handoutJson'
import { lexiconWith } from '@/reference/shorthand'
import { proposalOf } from '@/workers/proposalOf'
import { readerFault } from '@/workers/readerFault'
import { NoTextError, textOfFile } from '@/workers/textOfFile'
import type { Outcome } from './calc'

const refuse = (words: string): Outcome => ({ code: 2, out: '', err: `${words}\n` })

/** `mozle read FILE`: what a procedure says, as JSON; exit code 2 with the reason on what is no text. */
export async function read(args: readonly string[]): Promise<Outcome> {
  const [file] = args
  if (args.length !== 1 || file === undefined) return refuse('usage: ./mozle read FILE')
  let bytes: Uint8Array
  try {
    bytes = readFileSync(file)
  } catch {
    return refuse(`${file}: cannot be opened.`)
  }
  try {
    const text = await textOfFile(path.basename(file), bytes)
    const proposal = await proposalOf(text, lexiconWith())
    if ('problem' in proposal) return refuse(`${file}: ${proposal.problem}`)
    return { code: 0, out: `${JSON.stringify(handoutJson(proposal), null, 2)}\n`, err: '' }
  } catch (error) {
    if (error instanceof NoTextError) return refuse(error.message)
    return refuse(`${file}: ${readerFault(error)}`)
  }
}
