'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'

interface Props {
  preparation: string
  revision: string
  title: string
  reason: string
  isDraft: boolean
  mayWrite: boolean
}

/** What stands at the Desk where a document cannot be read: why, and the owner's way to take it out. */
export function UnreadablePlan({ preparation, revision, title, reason, isDraft, mayWrite }: Props) {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const send = async (work: () => Promise<unknown>) => {
    setProblem(undefined)
    try {
      await work()
      router.push('/desk')
      router.refresh()
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  return (
    <>
      <h1>{title}</h1>
      <p className="problem" role="alert">
        This {isDraft ? 'draft' : 'revision'} cannot be read: {reason}
      </p>
      <p>Nothing else is affected. What stands there can be kept as a file, byte for byte, and looked into.</p>
      {mayWrite && (
        <div className="actions">
          <a className="btn btn-quiet" href={`/api/revisions/${revision}/document`} download>
            Keep it as a file
          </a>
          {isDraft ? (
            <Button onClick={() => send(() => call(`/api/revisions/${revision}`, 'DELETE'))}>Discard this draft</Button>
          ) : (
            <Button onClick={() => send(() => call(`/api/preparations/${preparation}`, 'PATCH', { archived: true }))}>
              Put the preparation away
            </Button>
          )}
        </div>
      )}
      {problem && <p className="problem">{problem}</p>}
    </>
  )
}
