'use client'

import { useState } from 'react'
import { Button, Modal } from 'react-bootstrap'
import { call, CallError } from '../call'
import { State } from '../figures/State'
import type { FoundSubstance } from '@/views/plans'

interface Props {
  course: string
  /** The name as it was typed in the search. */
  name: string
  onClose: () => void
  onTake: (found: FoundSubstance) => void
}

/** A substance that no record knows: name with formula, SMILES or a molfile, looked at before it is taken. */
export function OwnSubstance({ course, name: first, onClose, onTake }: Props) {
  const [name, setName] = useState(first)
  const [formula, setFormula] = useState('')
  const [structure, setStructure] = useState('')
  const [mixture, setMixture] = useState(false)
  const [read, setRead] = useState<(FoundSubstance & { drawing: string | null; same: string | null }) | null>(null)
  const [problem, setProblem] = useState<{ field?: unknown; words: string } | null>(null)
  const changed = () => {
    setRead(null)
    setProblem(null)
  }
  const look = async (drawn = structure) => {
    try {
      setRead(
        await call(
          `/api/courses/${course}/substances`,
          'POST',
          mixture ? { name, mixture } : { name, formula, structure: drawn },
        ),
      )
    } catch (error) {
      setProblem({ field: (error as CallError).details.field, words: (error as Error).message })
    }
  }
  const said = (field: string) => problem?.field === field && <div className="problem">{problem.words}</div>
  return (
    <Modal show onHide={onClose} centered aria-labelledby="own-title">
      <form
        onSubmit={(event) => {
          event.preventDefault()
          if (read) onTake(read)
          else void look()
        }}
      >
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="own-title">
            A substance of your own
          </Modal.Title>
        </Modal.Header>
        <Modal.Body className="stacked">
          <label>
            Name
            <input
              className="form-control"
              value={name}
              autoFocus
              onChange={(event) => {
                setName(event.currentTarget.value)
                changed()
              }}
            />
            {said('name')}
          </label>
          <label className="check">
            <input
              type="checkbox"
              checked={mixture}
              onChange={(event) => {
                setMixture(event.currentTarget.checked)
                changed()
              }}
            />{' '}
            a mixture or a natural material: it has no formula
          </label>
          <label hidden={mixture}>
            Formula
            <input
              className="form-control"
              value={formula}
              placeholder="C7H8O, CuSO4·5H2O"
              onChange={(event) => {
                setFormula(event.currentTarget.value)
                changed()
              }}
            />
            {said('formula')}
          </label>
          <label hidden={mixture}>
            Structure: SMILES, or a molfile pasted or dropped
            <textarea
              className="form-control"
              rows={3}
              value={structure}
              onChange={(event) => {
                setStructure(event.currentTarget.value)
                changed()
              }}
              onDrop={(event) => {
                const file = event.dataTransfer.files[0]
                if (!file) return
                event.preventDefault()
                void file.text().then((text) => {
                  setStructure(text)
                  changed()
                  void look(text)
                })
              }}
              onPaste={(event) => {
                // A whole structure is drawn at once; a part pasted into what stands there waits to be looked at.
                if (structure !== '') return
                void look(event.clipboardData.getData('text'))
              }}
            />
            {said('structure')}
          </label>
          {problem && problem.field === undefined && <div className="problem">{problem.words}</div>}
          {read && (
            <div role="status">
              {read.drawing && <span className="drawing" dangerouslySetInnerHTML={{ __html: read.drawing }} />}
              <span className="fig">
                {read.molarMass === null
                  ? `${read.substance.name}, measured by mass or volume`
                  : `${read.substance.formula}, ${read.molarMass.toFixed(3)} g/mol`}
              </span>
              {read.same && <State level="doubt">The same structure as {read.same}: its values are taken over.</State>}
            </div>
          )}
          <p className="quiet">
            No density, hazards or melting range come with it: add them from the safety data sheet of the bottle.
          </p>
        </Modal.Body>
        <Modal.Footer>
          <Button variant="quiet" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit">{read ? 'Take it' : 'Look at it'}</Button>
        </Modal.Footer>
      </form>
    </Modal>
  )
}
