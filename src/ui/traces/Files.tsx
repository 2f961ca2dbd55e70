'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import { call } from '../call'
import { PrintedReport } from './PrintedReport'
import { FileOpen, type Around, type FileShown } from './FileOpen'

/** Files of instruments of a session: dropped or chosen, matched to a bench by the slot of its vial, opened one at a time. */
export function Files({ session, files, around }: { session: string; files: FileShown[]; around: Around }) {
  const router = useRouter()
  const [open, setOpen] = useState<string | null>(files[0]?.id ?? null)
  const [said, setSaid] = useState<string[]>([])
  const [busy, setBusy] = useState<string>()
  const [over, setOver] = useState(false)
  const [paper, setPaper] = useState(around.runs[0]?.id ?? '')
  const benchOf = (run: string | null) => around.runs.find(({ id }) => id === run)?.bench
  const add = async (list: FileList | null) => {
    if (!list) return
    const told: string[] = []
    for (const [index, file] of [...list].entries()) {
      setBusy(`${index + 1} of ${list.length}: ${file.name}`)
      try {
        const { id, run } = await call<{ id: string; run: string | null }>(`/api/sessions/${session}/files`, 'POST', {
          name: file.name.slice(0, 120),
          content: await file.text(),
        })
        setOpen(id)
        told.push(
          run
            ? `${file.name} is of bench ${benchOf(run)}, by its slot.`
            : `${file.name}: no slot of this session stands in its name or title. Say whose it is.`,
        )
      } catch (error) {
        told.push((error as Error).message)
      }
    }
    setBusy(undefined)
    setSaid(told)
    router.refresh()
  }
  const typed = async (text: string) => {
    try {
      const { id } = await call<{ id: string }>(`/api/runs/${paper}/reports`, 'POST', { text })
      setOpen(id)
      setSaid([`Kept as a file of bench ${benchOf(paper)}.`])
    } catch (error) {
      setSaid([(error as Error).message])
    }
    router.refresh()
  }
  const shown = files.find(({ id }) => id === open)
  return (
    <>
      {around.may && (
        <div
          className={`drop no-print${over ? ' over' : ''}`}
          onDragOver={(event) => {
            event.preventDefault()
            setOver(true)
          }}
          onDragLeave={() => setOver(false)}
          onDrop={(event) => {
            event.preventDefault()
            setOver(false)
            void add(event.dataTransfer.files)
          }}
        >
          <label>
            Drop files here, or choose them: JCAMP-DX (infrared, NMR, chromatogram, mass peaks), or two columns as CSV
            <input
              type="file"
              multiple
              accept=".jdx,.dx,.jcm,.csv,.txt"
              onChange={(event) => void add(event.currentTarget.files)}
            />
          </label>
          {busy && <p role="status">{busy}</p>}
          {said.length > 0 && (
            <ul role="status">
              {said.map((each) => (
                <li key={each}>{each}</li>
              ))}
            </ul>
          )}
          <PrintedReport label="Type in a printed report" onTable={(_peaks, text) => void typed(text)} onBack={null}>
            <label>
              of bench{' '}
              <Form.Select value={paper} onChange={(event) => setPaper(event.currentTarget.value)}>
                {around.runs.map(({ id, bench, members }) => (
                  <option key={id} value={id}>
                    {bench}, {members}
                  </option>
                ))}
              </Form.Select>
            </label>
          </PrintedReport>
        </div>
      )}
      {files.length === 0 ? (
        <p>No file yet. What an instrument gives days later finds its bench by the slot that the group wrote for its vial.</p>
      ) : (
        <div className="files">
          <ul aria-label="Files of this session">
            {files.map(({ id, name, kind, run }) => (
              <li key={id}>
                <Button variant="quiet" aria-pressed={id === open} onClick={() => setOpen(id)}>
                  <b>{run ? `bench ${benchOf(run)}` : 'whose?'}</b> {kind} <small className="quiet">{name}</small>
                </Button>
              </li>
            ))}
          </ul>
          {shown && <FileOpen key={shown.id} file={shown} around={around} />}
        </div>
      )}
    </>
  )
}
