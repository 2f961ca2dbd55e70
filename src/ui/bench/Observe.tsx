import { useState } from 'react'
import { colours, longestPicture } from '@/core/measurements/observation'
import { smallPicture } from './smallPicture'
import type { Write } from './write'

/** What was seen, at any moment of a step: words, a colour, a picture. */
export function Observe({ step, write }: { step: string; write: Write }) {
  const [open, setOpen] = useState(false)
  const [text, setText] = useState('')
  const [colour, setColour] = useState<(typeof colours)[number]>()
  const [picture, setPicture] = useState<string>()
  const [problem, setProblem] = useState<string>()
  const close = () => {
    setOpen(false)
    setText('')
    setColour(undefined)
    setPicture(undefined)
    setProblem(undefined)
  }
  if (!open)
    return (
      <section className="pad" aria-label="What we see">
        <button type="button" className="plain" onClick={() => setOpen(true)}>
          Write what we see
        </button>
      </section>
    )
  const take = () => {
    if (text.trim() === '' && !colour && !picture) return setProblem('Nothing is entered. Say what you see, or choose a colour.')
    write('observation', step, { text: text.trim(), ...(colour ? { colour } : {}), ...(picture ? { picture } : {}) })
    close()
  }
  return (
    <section className="pad observe" aria-label="What we see">
      <div className="choice colours" role="group" aria-label="Colour">
        {colours.map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={colour === each}
            onClick={() => setColour(colour === each ? undefined : each)}
          >
            {each}
          </button>
        ))}
      </div>
      <textarea
        className="reason"
        aria-label="What we see, in our words"
        rows={2}
        maxLength={400}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
      />
      <label className="plain picture">
        {picture ? 'Another picture' : 'Take a picture'}
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className="visually-hidden"
          onChange={(event) => {
            const file = event.currentTarget.files?.[0]
            if (!file) return
            smallPicture(file, longestPicture).then(
              (small) => {
                setPicture(small)
                setProblem(undefined)
              },
              () => setProblem('This file is no picture that can be read. Take a photograph, or choose a JPEG or PNG.'),
            )
          }}
        />
      </label>
      {picture && <img className="seen" src={picture} alt="The picture that goes into the book" />}
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <button type="button" className="go" onClick={take}>
        Write it down
      </button>
      <button type="button" className="plain" onClick={close}>
        Not now
      </button>
    </section>
  )
}
