import { Button } from 'react-bootstrap'
import { State } from '../figures/State'
import { clockTime } from '../time'
import type { useDraft } from './useDraft'

/** What stands between the author and a draft that is kept: someone else's save, or a device that keeps nothing. */
export function NotKept({ draft, zone }: { draft: ReturnType<typeof useDraft>; zone: string }) {
  const { saving } = draft
  return (
    <>
      {saving.state === 'conflict' && (
        <div className="conflict" role="alert">
          <State level="doubt">
            {saving.theirs.savedBy} saved this draft in another window at {clockTime(saving.theirs.base.savedAt, zone)}. Your
            changes are kept here.
          </State>
          <Button size="sm" variant="secondary" onClick={() => draft.settle('mine')}>
            Write mine over it
          </Button>
          <Button size="sm" variant="outline-secondary" onClick={() => draft.settle('theirs')}>
            Take theirs
          </Button>
        </div>
      )}
      {draft.unkept && (
        <p className="problem" role="alert">
          This device keeps nothing over a reload: its storage is full or forbidden. What is saved is safe; stay on this page
          until it says so.
        </p>
      )}
    </>
  )
}
