import { hashAfter, nothingBefore } from '@/data/chain'
import { isSigned } from '@/data/heads'
import type { LogProof } from '@/server/proofOf'

/** What of the logs in an archive does not hold: heads that were not signed by the key it names, chains that do not lead to them, entries that its tables have otherwise. */
export function wrongWithProof(
  proof: LogProof,
  entriesOf: (run: string) => readonly { id: string; at: string; kind: string }[] | undefined,
): string[] {
  return proof.runs.flatMap(({ run, entries }): string[] => {
    const head = proof.heads.find((each) => each.run === run)
    if (!head || !isSigned(head, proof.publicKey)) return [`the log of run ${run} is not signed`]
    const hash = entries.reduce(hashAfter, nothingBefore)
    if (hash !== head.hash || entries.length !== head.seq) return [`the log of run ${run} is not the one that was signed`]
    const shown = entriesOf(run) ?? []
    const wrong = entries.findIndex((bytes, index) => {
      const [id, , , kind, , , at] = JSON.parse(bytes) as string[]
      const other = shown[index]
      return other?.id !== id || other?.kind !== kind || other?.at !== at
    })
    return wrong >= 0 || shown.length !== entries.length
      ? [`the log of run ${run} stands otherwise in its file, from entry ${wrong + 1} on`]
      : []
  })
}
