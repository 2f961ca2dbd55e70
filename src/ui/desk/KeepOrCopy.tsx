'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'

interface Props {
  preparation: string
  archived: boolean
  /** Id of the draft that is open, where one is. */
  draft: string | undefined
  /** Forgets what this device keeps of the draft. */
  onDiscard: () => void
}

/** What can be done with a preparation as a whole: a draft discarded, another that begins from it, and putting it away. */
export function KeepOrCopy({ preparation, archived, draft, onDiscard }: Props) {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)
  const [sure, setSure] = useState(false)
  const attempt = async (work: () => Promise<void>) => {
    setBusy(true)
    setProblem(undefined)
    try {
      await work()
    } catch (error) {
      setProblem((error as Error).message)
    }
    setBusy(false)
  }
  return (
    <p className="keep-or-copy no-print">
      <Button
        variant="quiet"
        size="sm"
        disabled={busy}
        onClick={() =>
          attempt(async () => {
            const { id } = await call<{ id: string }>(`/api/preparations/${preparation}/copy`, 'POST', {})
            router.push(`/desk/${id}`)
          })
        }
      >
        Begin another from it
      </Button>
      <Button
        variant="quiet"
        size="sm"
        disabled={busy}
        onClick={() =>
          attempt(async () => {
            await call(`/api/preparations/${preparation}`, 'PATCH', { archived: !archived })
            router.refresh()
          })
        }
      >
        {archived ? 'Take it back into use' : 'Put it away'}
      </Button>
      {draft !== undefined && !sure && (
        <Button variant="quiet" size="sm" disabled={busy} onClick={() => setSure(true)}>
          Discard this draft
        </Button>
      )}
      {draft !== undefined && sure && (
        <span role="group" aria-label="Discard this draft">
          All changes since the last published revision are lost.{' '}
          <Button
            variant="danger"
            size="sm"
            disabled={busy}
            onClick={() =>
              attempt(async () => {
                const { preparation: left } = await call<{ preparation: string | null }>(`/api/revisions/${draft}`, 'DELETE')
                onDiscard()
                // A page of its own: nothing of the draft may stay in this one.
                window.location.assign(left === null ? '/desk' : `/desk/${left}`)
              })
            }
          >
            Discard it
          </Button>{' '}
          <Button variant="quiet" size="sm" onClick={() => setSure(false)}>
            Keep it
          </Button>
        </span>
      )}
      {archived && <span className="quiet">It is put away: no new session can be set with it.</span>}
      {problem && (
        <span className="problem" role="alert">
          {problem}
        </span>
      )}
    </p>
  )
}
