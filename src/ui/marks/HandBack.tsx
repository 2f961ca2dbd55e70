'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'

/** Hands back all that is decided, and says how many. */
export function HandBack({ session, waiting }: { session: string; waiting: number }) {
  const router = useRouter()
  const [said, setSaid] = useState<string>()
  const [problem, setProblem] = useState<string>()
  const send = async () => {
    setProblem(undefined)
    try {
      const { count } = await call<{ count: number }>(`/api/sessions/${session}/handed-back`, 'POST')
      setSaid(count === 1 ? 'One is handed back.' : `${count} are handed back.`)
      router.refresh()
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  return (
    <>
      <Button disabled={waiting === 0} onClick={() => void send()}>
        {waiting === 0 ? 'Nothing waits to be handed back' : `Hand ${waiting} back`}
      </Button>
      {said && <span role="status"> {said}</span>}
      {problem && (
        <span className="problem" role="alert">
          {' '}
          {problem}
        </span>
      )}
    </>
  )
}
