import type { Words } from '@/core/words/say'
import { choices } from './WordsChoice'

/** The choice of words and units as fields of a form. */
export function WordsFields({ value, onChange }: { value: Words; onChange: (words: Words) => void }) {
  return (
    <>
      {choices.map(({ key, label, options }) => (
        <label key={key} data-as-written>
          {label}
          <select
            className="form-select form-select-sm"
            value={value[key]}
            onChange={(event) => onChange({ ...value, [key]: event.currentTarget.value })}
          >
            {options.map(([option, words]) => (
              <option key={option} value={option}>
                {words}
              </option>
            ))}
          </select>
        </label>
      ))}
    </>
  )
}
