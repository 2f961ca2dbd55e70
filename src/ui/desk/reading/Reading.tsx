'use client'

import { useEffect, useRef, useState } from 'react'
import { nothingSaid } from '@/core/reading/handout/decide'
import type { Substance } from '@/core/substance/substance'
import { useStable } from '../useStable'
import { keepHandout, keptHandout } from './keptHandout'
import { Paste } from './Paste'
import { ReadHandout } from './ReadHandout'
import { useReader } from './useReader'
import { useSaid } from './useSaid'

/** A pasted procedure beside what was read from it; nothing is stored before it is taken. */
export function Reading({ course, own }: { course: string; own: Substance[] }) {
  const [text, setText] = useState('')
  const [making, setMaking] = useState<Substance | null>()
  const { state, read, open, forget } = useReader(own)
  const { said, mayUndo, mayRedo, say, undo, redo, begin } = useSaid()
  const started = useRef(false)
  const { takeUp } = useStable({
    takeUp: () => {
      const before = keptHandout()
      // What was typed before the page had come to life stands in the field already.
      const typed = document.querySelector<HTMLTextAreaElement>('#handout')?.value
      setText(typed || before.text)
      setMaking(before.making)
      begin(before.said)
      if (before.read) void read(before.text, before.making)
    },
  })
  // What was there before the page was loaded anew can only be asked of the browser, after the page has come.
  useEffect(() => {
    if (started.current) return
    started.current = true
    takeUp()
  }, [takeUp])
  useEffect(() => {
    if (started.current && (text !== '' || state.state !== 'waiting'))
      keepHandout({ text, read: state.state === 'read', said, ...(making === undefined ? {} : { making }) })
  }, [text, said, making, state.state])

  const begun = (next: string) => {
    setText(next)
    setMaking(undefined)
    begin(nothingSaid)
    void read(next)
  }
  const take = () => (text.trim() === '' ? undefined : begun(text))
  const file = async (dropped: File) => {
    const found = await open(dropped)
    if (found !== undefined) begun(found)
  }
  if (state.state === 'read')
    return (
      <ReadHandout
        key={state.proposal.read.text}
        course={course}
        proposal={state.proposal}
        {...{ said, mayUndo, mayRedo, say, undo, redo }}
        onAnother={() => {
          forget()
          begin(nothingSaid)
          setMaking(undefined)
        }}
        onMaking={(substance) => {
          setMaking(substance)
          void read(text, substance)
        }}
      />
    )
  const busy =
    state.state === 'reading'
      ? { words: 'Reading' }
      : state.state === 'opening'
        ? { words: `Opening ${state.name}`, share: state.share }
        : undefined
  return (
    <main className="page-only" id="work">
      <h1>Paste a procedure</h1>
      <Paste
        text={text}
        busy={busy}
        problem={state.state === 'refused' ? state.why : undefined}
        onText={setText}
        onRead={take}
        onFile={(dropped) => void file(dropped)}
      />
    </main>
  )
}
