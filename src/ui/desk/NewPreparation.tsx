'use client'

import { Link } from '../page/Link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { writeNumber } from '@/core/quantity/write'
import { Problem } from '../course/Problem'
import { refusalOf, type Refused } from '../course/refusalOf'
import { call } from '../call'
import { drawingOf } from './drawingOf'
import { OwnSubstance } from './OwnSubstance'
import type { FoundSubstance } from '@/views/plans'
import { SubstancePicker } from './SubstancePicker'

type Part = 'start' | 'product'

/** What was chosen, and its picture once that is drawn. */
type Chosen = FoundSubstance & { drawing?: string | null }

const differs = (one: FoundSubstance) => (other: FoundSubstance) => other.substance.id !== one.substance.id

/** A preparation from nothing: what it is called, what it starts from, what it makes; or from a plan file. */
export function NewPreparation({ course }: { course: string }) {
  const router = useRouter()
  const [title, setTitle] = useState('')
  const [chosen, setChosen] = useState<Readonly<Record<Part, readonly Chosen[]>>>({ start: [], product: [] })
  const [does, setDoes] = useState<'makes' | 'isolates' | 'works'>('makes')
  const [own, setOwn] = useState<{ part: Part; name: string }>()
  const [problem, setProblem] = useState<Refused>()
  const [busy, setBusy] = useState(false)

  const send = async (body: unknown) => {
    if (busy) return
    setProblem(undefined)
    setBusy(true)
    try {
      const { id } = await call<{ id: string }>(`/api/courses/${course}/preparations`, 'POST', body)
      router.push(`/desk/${id}`)
    } catch (error) {
      setProblem(refusalOf(error))
      setBusy(false)
    }
  }
  const choose = (which: Part, found: FoundSubstance) => {
    // It makes one product; what it starts from may be several, and a second pick takes none of them away.
    setChosen((all) => ({ ...all, [which]: which === 'product' ? [found] : [...all.start.filter(differs(found)), found] }))
    void drawingOf(course, found.substance).then((drawing) =>
      setChosen((all) => ({ ...all, [which]: all[which].map((each) => (each === found ? { ...found, drawing } : each)) })),
    )
  }
  const missing =
    title.trim() === ''
      ? 'Give the preparation a title.'
      : chosen.start.length === 0
        ? 'Choose what it starts from.'
        : does !== 'works' && chosen.product.length === 0
          ? 'Choose what it makes.'
          : undefined

  const part = (which: Part, label: string) => (
    <div>
      {/* The field's own name is said to those who cannot see this one. */}
      <span aria-hidden="true">{label.split(':')[0]}</span>
      {/* Above the field, so that whoever goes on by Tab comes to the next one. */}
      {chosen[which].map((each) => (
        <p className="chosen" key={each.substance.id}>
          {each.drawing && <span className="drawing" dangerouslySetInnerHTML={{ __html: each.drawing }} />}
          <b>{each.substance.name}</b>
          {each.molarMass === null ? ', no formula' : `, ${writeNumber(each.molarMass, 2)} g/mol`}
          {which === 'start' && (
            <button
              type="button"
              className="plain-x"
              aria-label={`Remove ${each.substance.name}`}
              onClick={() => setChosen((all) => ({ ...all, start: all.start.filter(differs(each)) }))}
            >
              ×
            </button>
          )}
        </p>
      ))}
      <SubstancePicker
        course={course}
        label={label}
        keep={which === 'product'}
        onPick={(found) => choose(which, found)}
        onOwn={(name) => setOwn({ part: which, name })}
      />
    </div>
  )

  return (
    <>
      <form
        className="stacked new-preparation"
        onSubmit={(event) => {
          event.preventDefault()
          if (missing) setProblem({ words: missing, ...(title.trim() === '' ? { field: 'title' } : {}) })
          else
            void send({
              title,
              starts: chosen.start.map(({ substance }) => substance),
              ...(does === 'works' ? {} : { product: chosen.product[0]!.substance }),
              does,
            })
        }}
      >
        <label>
          Title
          <input
            className="form-control"
            name="title"
            value={title}
            autoFocus
            onChange={(event) => setTitle(event.currentTarget.value)}
          />
        </label>
        <fieldset className="kind">
          <legend>What it does</legend>
          {(
            [
              ['makes', 'makes a substance, and counts its yield'],
              ['isolates', 'isolates or separates, and counts what is got back'],
              ['works', 'neither: a day of tests, a titration, practice; no yield is wanted'],
            ] as const
          ).map(([value, words]) => (
            <label key={words}>
              <input type="radio" name="kind" checked={does === value} onChange={() => setDoes(value)} /> {words}
            </label>
          ))}
        </fieldset>
        {part(
          'start',
          does === 'works'
            ? 'It works with: name or formula, one after the other'
            : 'It starts from: name or formula, one after the other',
        )}
        {does !== 'works' && part('product', does === 'isolates' ? 'It gets back: name or formula' : 'It makes: name or formula')}
        <Problem words={problem?.words} field={problem?.field} />
        <div>
          <Button type="submit" disabled={busy}>
            Write this preparation
          </Button>
        </div>
      </form>
      <h2 className="section-title">Or from a handout</h2>
      <p>
        <Link href="/desk/new/reading">Paste a procedure</Link>, or drop a file of it: what it says is read into lines and steps,
        and you take what is right.
      </p>
      <h2 className="section-title">Or from a plan file</h2>
      <label className="from-file">
        <span className="visually-hidden">Plan file</span>
        <input
          type="file"
          accept=".json,application/json"
          className="form-control"
          onChange={(event) => {
            const field = event.currentTarget
            const file = field.files?.[0]
            if (!file) return
            void file.text().then((text) => {
              // A corrected file of the same name can be taken again.
              field.value = ''
              return send({ file: text })
            })
          }}
        />
      </label>
      <p className="quiet">
        A plan file that was taken away from any Mozle Desk. It becomes the first draft of a new preparation.
      </p>
      {own && (
        <OwnSubstance
          course={course}
          name={own.name}
          onClose={() => setOwn(undefined)}
          onTake={(found) => {
            choose(own.part, found)
            setOwn(undefined)
          }}
        />
      )}
    </>
  )
}
