'use client'

import { useRef, useState } from 'react'
import { Button } from 'react-bootstrap'
import { countFiles } from './countFiles'

/** The archive of a session: it is made while it arrives, says how far it has come, and can be given up. */
export function ArchiveButton({ session }: { session: string }) {
  const [state, setState] = useState<{ files: number; of: number } | null>(null)
  const [problem, setProblem] = useState('')
  const giveUp = useRef<AbortController>(null)
  const take = async () => {
    giveUp.current = new AbortController()
    setProblem('')
    setState({ files: 0, of: 0 })
    try {
      const response = await fetch(`/api/sessions/${session}/archive.zip`, { signal: giveUp.current.signal })
      if (!response.ok || !response.body) {
        const { error } = (await response.json().catch(() => ({}))) as { error?: string }
        throw new Error(error ?? 'The server could not make the archive.')
      }
      const of = Number(response.headers.get('x-archive-files'))
      const count = countFiles()
      const parts: Uint8Array<ArrayBuffer>[] = []
      const reader = response.body.getReader()
      for (let part = await reader.read(); !part.done; part = await reader.read()) {
        parts.push(part.value)
        setState({ files: count(part.value), of })
      }
      if (count(new Uint8Array()) < of) throw new Error('The archive broke off before its end. Try again.')
      const name = /filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? 'archive.zip'
      save(new Blob(parts, { type: 'application/zip' }), name)
    } catch (error) {
      if (!giveUp.current.signal.aborted) setProblem((error as Error).message)
    } finally {
      setState(null)
    }
  }
  if (state)
    return (
      <span className="archive-progress" role="status">
        <progress aria-label="Files of the archive" max={state.of || 1} value={state.files} />
        {state.of > 0 ? `${state.files} of ${state.of} files` : 'The archive is being made'}
        <Button variant="quiet" onClick={() => giveUp.current?.abort()}>
          Stop
        </Button>
      </span>
    )
  return (
    <>
      <Button variant="quiet" onClick={() => void take()}>
        Archive
      </Button>
      {problem && (
        <span className="doubt" role="alert">
          {problem}
        </span>
      )}
    </>
  )
}

function save(file: Blob, name: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(file)
  link.download = name
  link.click()
  // The browser has taken it up by then.
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
}
