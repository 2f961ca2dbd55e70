import { UnreadablePlan } from '@/ui/desk/UnreadablePlan'
import { UnreadableDocument } from '@/server/documents'
import { orNotFound } from '@/server/page'

/** What a page of a preparation opens, or the document that it cannot read. */
export const openedOr = <T,>(load: () => Promise<T>): Promise<T | UnreadableDocument> =>
  orNotFound(() =>
    load().catch((error: unknown) => {
      if (error instanceof UnreadableDocument) return error
      throw error
    }),
  )

/** What every page of a preparation shows where its document cannot be read. */
export function Unreadable({ of, preparation, mayWrite }: { of: UnreadableDocument; preparation: string; mayWrite: boolean }) {
  return (
    <main className="page-only">
      <UnreadablePlan
        preparation={preparation}
        revision={of.id}
        title={of.title}
        reason={of.message}
        isDraft={of.isDraft}
        mayWrite={mayWrite}
      />
    </main>
  )
}
