'use client'

import { useState } from 'react'
import { Button, Form } from 'react-bootstrap'

interface Shift {
  ppm: string
  protons: string
  form: string
  what: string
}

const columns = [
  ['ppm', 'shift, ppm'],
  ['protons', 'protons'],
  ['form', 'form'],
  ['what', 'which they are'],
] as const

const empty: Shift = { ppm: '', protons: '', form: '', what: '' }

/** Shifts against protons, as they are read off by a person: nothing is assigned by itself. */
export function ShiftTable({ shifts, may, onShifts }: { shifts: Shift[]; may: boolean; onShifts: (shifts: Shift[]) => void }) {
  const [rows, setRows] = useState<Shift[]>(shifts.length > 0 ? shifts : [empty])
  const put = (index: number, key: keyof Shift, value: string) =>
    setRows(rows.map((row, at) => (at === index ? { ...row, [key]: value } : row)))
  const kept = rows.filter((row) => Object.values(row).some((value) => value.trim() !== ''))
  return (
    <>
      <table className="ruled shifts">
        <thead>
          <tr>
            {columns.map(([key, label]) => (
              <th scope="col" key={key}>
                {label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, index) => (
            <tr key={index}>
              {columns.map(([key, label]) => (
                <td key={key}>
                  <Form.Control
                    aria-label={`${label}, line ${index + 1}`}
                    disabled={!may}
                    maxLength={60}
                    value={row[key]}
                    onChange={(event) => put(index, key, event.currentTarget.value)}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {may && (
        <>
          <Button variant="quiet" disabled={rows.length >= 40} onClick={() => setRows([...rows, empty])}>
            Another line
          </Button>
          <Button variant="quiet" disabled={JSON.stringify(kept) === JSON.stringify(shifts)} onClick={() => onShifts(kept)}>
            Keep these shifts
          </Button>
        </>
      )}
    </>
  )
}
