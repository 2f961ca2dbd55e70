'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'

/** What can be done with a preparation as a whole: another that begins from it, and putting it away. */
export function KeepOrCopy({ preparation, archived }: { preparation: string; archived: boolean }) {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)
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
      {archived && <span className="quiet">It is put away: no new session can be set with it.</span>}
      {problem && (
        <span className="problem" role="alert">
          {problem}
        </span>
      )}
    </p>
  )
}
