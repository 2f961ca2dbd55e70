'use client'

import type { Field } from '@/core/operations/fields'
import type { WorkRow } from '@/core/plan/plan'
import { Blank, type Offers } from './Blank'

interface Props {
  field: Field & { kind: 'rows' }
  rows: WorkRow[]
  typed: boolean
  offers?: Offers | undefined
  onRows?: ((rows: WorkRow[] | undefined) => void) | undefined
}

/** A list that is written row by row; changing any row makes the whole list the author's, and it can be given back to the plan. */
export function Rows({ field, rows, typed, offers, onRows }: Props) {
  return (
    <div className="rows">
      {rows.length > 0 && (
        <table aria-label={field.label}>
          <thead>
            <tr>
              {field.columns.map(({ key, label }) => (
                <th key={key} scope="col">
                  {label}
                </th>
              ))}
              {onRows && <td />}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, index) => (
              <tr key={index}>
                {field.columns.map((column) => (
                  <td key={column.key}>
                    <Blank
                      field={{ ...column, label: `${column.label}, row ${index + 1} of ${field.label}` }}
                      value={row[column.key]}
                      typed={typed}
                      offers={offers}
                      onValue={
                        onRows &&
                        ((value) =>
                          onRows(
                            rows.map((each, at) => {
                              if (at !== index) return each
                              const { [column.key]: _old, ...rest } = each
                              return value === undefined ? rest : { ...rest, [column.key]: value as string | number }
                            }),
                          ))
                      }
                    />
                  </td>
                ))}
                {onRows && (
                  <td>
                    <button
                      type="button"
                      aria-label={`Take out row ${index + 1} of ${field.label}`}
                      onClick={() => onRows(rows.filter((_, at) => at !== index))}
                    >
                      ×
                    </button>
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {onRows && (
        <span className="row-buttons">
          <button type="button" onClick={() => onRows([...rows, field.fresh])}>
            {field.add}
          </button>
          {typed && (
            <button type="button" onClick={() => onRows(undefined)}>
              Back to what the plan says
            </button>
          )}
        </span>
      )}
    </div>
  )
}
