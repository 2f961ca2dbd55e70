import { useState } from 'react'
import { colours, gasSeen, longestPicture } from '@/core/measurements/observation'
import { smallPicture } from './smallPicture'
import { operationIn } from '@/core/operations/registry'
import type { Step } from '@/core/plan/plan'
import type { PanelProps } from './panel'
import { PadEnd } from './PadEnd'

/** What was seen, at any moment of a step: words, a colour, gas, layers, a picture. */
export function Observe({ step, write, onClose }: PanelProps & { step: Step }) {
  const [text, setText] = useState('')
  const [colour, setColour] = useState<(typeof colours)[number]>()
  const [picture, setPicture] = useState<string>()
  const [problem, setProblem] = useState<string>()
  const [gas, setGas] = useState<(typeof gasSeen)[number]>()
  const [layers, setLayers] = useState<number>()
  const gassy = step.says?.includes('gas-comes') || operationIn(step)?.meetsAcidOrBase
  const take = () => {
    if (text.trim() === '' && !colour && !gas && !layers && !picture)
      return setProblem('Nothing is entered. Say what you see, or choose a colour.')
    write('observation', step.id, {
      text: text.trim(),
      ...(colour ? { colour } : {}),
      ...(gas ? { gas } : {}),
      ...(layers ? { layers } : {}),
      ...(picture ? { picture } : {}),
    })
    onClose()
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
      <div className="choice three" role="group" aria-label="Gas">
        {gasSeen.map((each) => (
          <button key={each} type="button" aria-pressed={gas === each} onClick={() => setGas(gas === each ? undefined : each)}>
            {each === 'none' ? (gassy ? 'no more gas' : 'no gas') : `${each} gas`}
          </button>
        ))}
      </div>
      <div className="choice three" role="group" aria-label="Layers">
        {[1, 2, 3].map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={layers === each}
            onClick={() => setLayers(layers === each ? undefined : each)}
          >
            {each === 1 ? 'one layer' : `${each} layers`}
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
      <PadEnd problem={problem} take="Write it down" onTake={take} onClose={onClose} />
    </section>
  )
}
