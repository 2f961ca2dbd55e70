'use client'

import { Link } from '../page/Link'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import { nearestSubstances, searchSubstances, substanceIndex } from '@/core/substance/search'
import type { SubstanceRecord } from '@/core/substance/record'
import { wasteWords } from '@/core/substance/wasteWords'
import { partitionInto, solubilityIn } from '@/reference/compared'
import { call } from '../call'
import { writeNumber } from '@/core/quantity/write'
import { FormulaText } from '../figures/FormulaText'
import { Pictogram } from '../figures/Pictogram'

interface Listed {
  id: string
  name: string
  synonyms: string[]
  formula?: string
}

interface Props {
  list: Listed[]
  card: Card | null
  asked: string | undefined
  course: string
  /** The owner notes which values were compared with their source. */
  mayCompare: boolean
}

export interface Card {
  record: SubstanceRecord
  /** Names of its values that were compared with their source. */
  compared: string[]
  /** Null for a mixture. */
  molarMass: number | null
  drawing: string | null
  hazards: string[]
  precautions: string[]
}

/** Substances with their sources: typing finds, arrows choose, Enter opens the card. */
export function Reference({ list, card, asked, course, mayCompare }: Props) {
  const router = useRouter()
  const [text, setText] = useState('')
  const [at, setAt] = useState(0)
  const index = useMemo(() => substanceIndex(list), [list])
  const exact = text.trim() === '' ? list : searchSubstances(index, text, 60)
  const near = exact.length === 0 ? nearestSubstances(index, text) : []
  const found = [...exact, ...near]
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
            : near.length > 0
              ? `Nothing is called “${text.trim()}”. Is it one of these?`
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
              {formula !== undefined && <FormulaText formula={formula} />}
              {synonyms.length > 0 && <small>{synonyms.join(', ')}</small>}
            </li>
          ))}
        </ul>
      </div>
      {card ? (
        <CardSheet key={card.record.id} card={card} course={course} mayCompare={mayCompare} />
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

function CardSheet({
  card: { record, compared, molarMass, drawing, hazards, precautions },
  course,
  mayCompare,
}: Pick<Props, 'course' | 'mayCompare'> & { card: Card }) {
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
    partition,
    antoine,
    solubility,
    classes,
    incompatible,
    waste,
  } = record
  const tick = (what: string) =>
    mayCompare && <Compared course={course} record={record.id} what={what} compared={compared.includes(what)} />
  const range = ({ lowC, highC }: { lowC: number; highC: number }) =>
    `${degrees(lowC)}${lowC === highC ? '' : `–${degrees(highC)}`} °C`
  const rows: [label: string, value: ReactNode, source?: string, what?: string][] = [
    ['formula', formula === undefined ? 'none' : <FormulaText key="f" formula={formula} />],
    [
      'molar mass',
      molarMass === null ? 'a mixture: it has none' : `${writeNumber(molarMass, 2)} g/mol`,
      'IUPAC standard atomic weights',
    ],
  ]
  if (density)
    rows.push([
      'density',
      `${density.gPerML} g/mL${density.atC === undefined ? '' : ` at ${density.atC} °C`}`,
      density.source,
      'density',
    ])
  if (melting) rows.push(['melts', range(melting), melting.source, 'melting'])
  if (boiling) rows.push(['boils', range(boiling), boiling.source, 'boiling'])
  if (pKa)
    rows.push([pKa.ofConjugateAcid ? 'pKa of the conjugate acid' : 'pKa', pKa.values.map(degrees).join(', '), pKa.source, 'pKa'])
  if (logP) rows.push(['log P, octanol–water', degrees(logP.value), logP.source, 'logP'])
  if (antoine)
    rows.push([
      'vapour pressure',
      `log p = ${antoine.a} − ${antoine.b}/(${antoine.c} + t), mmHg, °C, ${degrees(antoine.fromC)} to ${antoine.toC} °C`,
      antoine.source,
      'antoine',
    ])
  for (const { solvent, K, source } of partition ?? [])
    rows.push([`K, ${solvent}–water`, String(K), source, partitionInto(solvent)])
  for (const { solvent, points, source } of solubility ?? [])
    rows.push([
      `dissolves in ${solvent}`,
      points.map(({ atC, gPer100ML }) => `${gPer100ML} g/100 mL at ${atC} °C`).join('; '),
      source,
      solubilityIn(solvent),
    ])
  if (incompatible) rows.push(['keep away from', incompatible.with.join('; '), incompatible.source, 'incompatible'])
  if (classes && classes.length > 0) rows.push(['acts as', classes.join('; '), 'decides what it must not meet'])
  if (waste) rows.push(['waste', [waste, wasteWords[waste]].filter(Boolean).join('. '), 'Local rules decide'])
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
          {rows.map(([label, value, source, what]) => (
            <tr key={label}>
              <th scope="row">{label}</th>
              <td className="fig">{value}</td>
              <td className="quiet source">
                {source} {what !== undefined && tick(what)}
              </td>
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
          <p className="quiet">
            {record.hazards.source} {tick('hazards')}
          </p>
        </section>
      ) : (
        <p className="quiet">
          No hazard statement is recorded. That is not a statement that it is harmless: read the safety data sheet.
        </p>
      )}
    </article>
  )
}

/** The owner's tick that a value was looked up in its source; who and when then stands behind it, for everybody. */
function Compared({ course, record, what, compared }: { course: string; record: string; what: string; compared: boolean }) {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)
  // Shown as it was ticked until the server has it.
  const [shown, setShown] = useState(compared)
  const change = async () => {
    setBusy(true)
    setShown(!compared)
    try {
      await call(`/api/courses/${course}/compared`, 'PUT', { record, what, compared: !compared })
      setProblem(undefined)
      router.refresh()
    } catch (error) {
      setProblem((error as Error).message)
      setShown(compared)
    }
    setBusy(false)
  }
  return (
    <label className="looked-up no-print">
      <input type="checkbox" checked={shown} disabled={busy} onChange={() => void change()} /> I have compared it
      <span className="visually-hidden"> ({what})</span>
      {problem && (
        <span className="problem" role="alert">
          {problem}
        </span>
      )}
    </label>
  )
}

function degrees(value: number): string {
  return String(value).replace('-', '−')
}
