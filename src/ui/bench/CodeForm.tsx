'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useEffectEvent, useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import { call } from '../call'

/** Six signs from the bench card make a tablet that bench for the day. */
export function CodeForm({ fromAddress = false }: { fromAddress?: boolean }) {
  const router = useRouter()
  const [code, setCode] = useState('')
  const [problem, setProblem] = useState<string>()
  const enter = async (code: string) => {
    if (code.trim() === '') return setProblem('Type the six signs on the bench card, or the eight that open a run to read.')
    try {
      await call('/api/bench', 'POST', { code })
      if (fromAddress) router.replace('/bench')
      router.refresh()
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  // A bench card's square brings its code behind the address.
  const enterFromAddress = useEffectEvent(() => {
    const brought = window.location.hash.slice(1)
    if (!fromAddress || brought === '') return
    setCode(brought)
    void enter(brought)
  })
  useEffect(() => {
    const soon = setTimeout(() => enterFromAddress())
    return () => clearTimeout(soon)
  }, [])
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        void enter(code)
      }}
    >
      <Form.Group controlId="code">
        <Form.Label>Bench code</Form.Label>
        <Form.Control
          className="code"
          autoFocus
          autoComplete="off"
          autoCapitalize="characters"
          spellCheck={false}
          maxLength={12}
          value={code}
          isInvalid={!!problem}
          onChange={(event) => setCode(event.currentTarget.value)}
        />
      </Form.Group>
      {problem && (
        <div className="problem" role="alert">
          {problem}
        </div>
      )}
      <Button type="submit" size="lg">
        Open our bench
      </Button>
    </form>
  )
}
