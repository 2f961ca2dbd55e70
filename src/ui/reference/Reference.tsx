'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import { searchSubstances, substanceIndex } from '@/core/substance/search'
import type { SubstanceRecord } from '@/core/substance/record'
import { writeNumber } from '@/core/quantity/write'
import { FormulaText } from '../figures/FormulaText'
import { Pictogram } from '../figures/Pictogram'

interface Listed {
  id: string
  name: string
  synonyms: string[]
  formula: string
}

export interface Card {
  record: SubstanceRecord
  molarMass: number
  drawing: string | null
  hazards: string[]
  precautions: string[]
}

/** Substances with their sources: typing finds, arrows choose, Enter opens the card. */
export function Reference({ list, card, asked }: { list: Listed[]; card: Card | null; asked: string | undefined }) {
  const router = useRouter()
  const [text, setText] = useState('')
  const [at, setAt] = useState(0)
  const index = useMemo(() => substanceIndex(list), [list])
  const found = text.trim() === '' ? list : searchSubstances(index, text, 60)
  const listed = useRef<HTMLUListElement>(null)
  useEffect(() => {
    listed.current?.querySelector('[aria-current="true"]')?.scrollIntoView({ block: 'nearest' })
  }, [at])
  const open = (id: string | undefined) => id && router.push(`/reference?substance=${encodeURIComponent(id)}`, { scroll: false })
  return (
    <div className="reference">
      <div>
        <input
          type="search"
          className="form-control"
          aria-label="Find a substance by any name or formula"
          placeholder="Any name or formula"
          value={text}
          autoFocus
          autoComplete="off"
          spellCheck={false}
          onChange={(event) => {
            setText(event.currentTarget.value)
            setAt(0)
          }}
          onKeyDown={(event) => {
            if (event.key === 'ArrowDown') setAt(Math.min(at + 1, found.length - 1))
            else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0))
            else if (event.key === 'Enter') open(found[at]?.id)
            else return
            event.preventDefault()
          }}
        />
        <p className="quiet" role="status">
          {text.trim() === ''
            ? `${list.length} substances`
            : found.length === 0
              ? `Nothing is called “${text.trim()}”. Try a part of the name, or the formula.`
              : `${found.length} found`}
        </p>
        <ul className="found" ref={listed} aria-label="Substances" tabIndex={-1}>
          {found.map(({ id, name, synonyms, formula }, place) => (
            <li key={id} aria-current={place === at ? 'true' : undefined}>
              <Link
                href={`/reference?substance=${encodeURIComponent(id)}`}
                scroll={false}
                aria-current={id === card?.record.id ? 'page' : undefined}
              >
                {name}
              </Link>{' '}
              <FormulaText formula={formula} />
              {synonyms.length > 0 && <small>{synonyms.join(', ')}</small>}
            </li>
          ))}
        </ul>
      </div>
      {card ? (
        <CardSheet card={card} />
      ) : (
        <p className="quiet">
          {asked === undefined
            ? 'Choose a substance to see what is known of it, each value with its source.'
            : `There is no record “${asked}”.`}
        </p>
      )}
    </div>
  )
}

function CardSheet({ card: { record, molarMass, drawing, hazards, precautions } }: { card: Card }) {
  const {
    name,
    systematicName,
    synonyms,
    formula,
    density,
    melting,
    boiling,
    pKa,
    logP,
    antoine,
    solubility,
    incompatible,
    waste,
  } = record
  const range = ({ lowC, highC }: { lowC: number; highC: number }) =>
    `${degrees(lowC)}${lowC === highC ? '' : `–${degrees(highC)}`} °C`
  const rows: [string, ReactNode, string?][] = [
    ['formula', <FormulaText key="f" formula={formula} />],
    ['molar mass', `${writeNumber(molarMass, 2)} g/mol`, 'IUPAC standard atomic weights'],
  ]
  if (density)
    rows.push(['density', `${density.gPerML} g/mL${density.atC === undefined ? '' : ` at ${density.atC} °C`}`, density.source])
  if (melting) rows.push(['melts', range(melting), melting.source])
  if (boiling) rows.push(['boils', range(boiling), boiling.source])
  if (pKa) rows.push([pKa.ofConjugateAcid ? 'pKa of the conjugate acid' : 'pKa', pKa.values.map(degrees).join(', '), pKa.source])
  if (logP) rows.push(['log P, octanol–water', degrees(logP.value), logP.source])
  if (antoine)
    rows.push([
      'vapour pressure',
      `log p = ${antoine.a} − ${antoine.b}/(${antoine.c} + t), mmHg, °C, ${degrees(antoine.fromC)} to ${antoine.toC} °C`,
      antoine.source,
    ])
  for (const { solvent, points, source } of solubility ?? [])
    rows.push([
      `dissolves in ${solvent}`,
      points.map(({ atC, gPer100ML }) => `${gPer100ML} g/100 mL at ${atC} °C`).join('; '),
      source,
    ])
  if (incompatible) rows.push(['keep away from', incompatible.with.join('; '), incompatible.source])
  if (waste) rows.push(['waste', waste, 'Local rules decide'])
  return (
    <article className="card-sheet" aria-label={name}>
      <header>
        <div>
          <h2>{name}</h2>
          {(systematicName || synonyms) && (
            <p className="quiet">{[...new Set([...(systematicName ? [systematicName] : []), ...(synonyms ?? [])])].join(', ')}</p>
          )}
        </div>
        {drawing && <span className="drawing" dangerouslySetInnerHTML={{ __html: drawing }} />}
      </header>
      <table className="ruled">
        <tbody>
          {rows.map(([what, value, source]) => (
            <tr key={what}>
              <th scope="row">{what}</th>
              <td className="fig">{value}</td>
              <td className="quiet source">{source}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {record.hazards ? (
        <section aria-label="Hazards">
          <h3 className="section-title">Hazards {record.hazards.signal !== 'none' && <small>{record.hazards.signal}</small>}</h3>
          <p className="pictograms">
            {record.hazards.pictograms.map((code) => (
              <Pictogram key={code} code={code} />
            ))}
          </p>
          <ul className="statements">
            {hazards.map((statement) => (
              <li key={statement}>{statement}</li>
            ))}
          </ul>
          <h3 className="section-title">Precautions</h3>
          <ul className="statements">
            {precautions.map((statement) => (
              <li key={statement}>{statement}</li>
            ))}
          </ul>
          <p className="quiet">{record.hazards.source}</p>
        </section>
      ) : (
        <p className="quiet">
          No hazard statement is recorded. That is not a statement that it is harmless: read the safety data sheet.
        </p>
      )}
    </article>
  )
}

function degrees(value: number): string {
  return String(value).replace('-', '−')
}
