'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { writeNumber } from '@/core/quantity/write'
import { isCalled } from '@/core/substance/search'
import type { StockCard } from '@/reference/solutions'
import { Pictogram } from '../figures/Pictogram'

interface Props {
  /** Each with what it may be looked for by. */
  cards: (StockCard & { statements: string[]; words: string })[]
  toML: number
  typed: string
  problem: string | undefined
}

/** The stock solutions of a laboratory for a volume: what to take, how strong it becomes, what stands on its label, how long it keeps. */
export function Solutions({ cards, toML, typed, problem }: Props) {
  const router = useRouter()
  const [text, setText] = useState(typed)
  const [wanted, setWanted] = useState('')
  const shown = cards.filter(({ words }) => isCalled(words, wanted))
  return (
    <>
      <form
        className="solutions-ask no-print"
        onSubmit={(event) => {
          event.preventDefault()
          router.push(`/reference/solutions?mL=${encodeURIComponent(text.trim())}`, { scroll: false })
        }}
      >
        <label>
          Find a solution
          <input
            type="search"
            className="form-control"
            value={wanted}
            placeholder="Name, formula or strength"
            onChange={(event) => setWanted(event.currentTarget.value)}
          />
        </label>
        <label>
          To make, mL
          <input
            className="form-control"
            inputMode="decimal"
            value={text}
            aria-invalid={problem !== undefined}
            onChange={(event) => setText(event.currentTarget.value)}
          />
        </label>
        <Button type="submit">Work it out</Button>
        <Button variant="quiet" onClick={() => window.print()}>
          Print
        </Button>
        {problem && (
          <span className="problem" role="alert">
            {problem}
          </span>
        )}
      </form>
      <p className="deference">
        <b>Advice for the stores.</b> The label of the bottle, its safety data sheet and your local rules decide. Goggles and
        gloves; acid into water, never the reverse.
      </p>
      {shown.length === 0 && <p role="status">No stock solution is called “{wanted.trim()}”.</p>}
      <table className="ruled solutions" hidden={shown.length === 0}>
        <thead>
          <tr>
            <th scope="col">solution</th>
            <th scope="col" className="n">
              mol/L
            </th>
            <th scope="col">for {writeNumber(toML, toML < 10 ? 1 : 0)} mL</th>
            <th scope="col">on the label</th>
            <th scope="col">keeps</th>
          </tr>
        </thead>
        <tbody>
          {shown.map(({ id, name, substance, molPerL, recipe, note, hazards, statements, keeps }) => (
            <tr key={id}>
              <th scope="row">{name}</th>
              <td className="n fig">{molPerL === null ? '' : writeNumber(molPerL, molPerL < 1 ? 2 : 1)}</td>
              <td>
                {'why' in recipe ? (
                  <span className="quiet">{recipe.why}</span>
                ) : (
                  <>
                    <span className="fig">
                      {writeNumber(recipe.take.value, recipe.take.value < 10 ? 2 : 1)} {recipe.take.unit}
                    </span>{' '}
                    {substance}
                    <small className="quiet"> {recipe.how}</small>
                  </>
                )}
                {note && <small className="note-line">{note}</small>}
              </td>
              <td>
                <span className="pictograms">
                  {hazards.pictograms.map((code) => (
                    <Pictogram key={code} code={code} />
                  ))}
                </span>
                {hazards.signal !== 'none' && (
                  <b className={hazards.signal === 'danger' ? 'danger' : 'doubt'}>{hazards.signal}</b>
                )}{' '}
                <small>{statements.length > 0 ? statements.join('. ') : 'no statement'}</small>
                <small className="quiet note-line">{hazards.from}</small>
              </td>
              <td>{keeps}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
