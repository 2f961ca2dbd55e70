'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import { call } from '../call'

/** Six signs from the bench card make a tablet that bench for the day. */
export function CodeForm() {
  const router = useRouter()
  const [code, setCode] = useState('')
  const [problem, setProblem] = useState<string>()
  const enter = async () => {
    if (code.trim() === '') return setProblem('Type the six signs on the bench card, or the eight that open a run to read.')
    try {
      await call('/api/bench', 'POST', { code })
      router.refresh()
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        void enter()
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
