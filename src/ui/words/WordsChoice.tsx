'use client'

import { useSyncExternalStore } from 'react'
import { plainWords, type Words } from '@/core/words/say'
import { chooseWords, words } from './Vocabulary'

/** What can be chosen of words and units. */
export const choices: { key: keyof Words; label: string; options: [string, string][] }[] = [
  {
    key: 'volume',
    label: 'volumes in',
    options: [
      ['mL', 'mL'],
      ['cm³', 'cm³'],
    ],
  },
  {
    key: 'names',
    label: 'names',
    options: [
      ['usual', 'usual: acetic acid'],
      ['systematic', 'systematic: ethanoic acid'],
    ],
  },
  {
    key: 'sulfur',
    label: 'spelling',
    options: [
      ['sulfur', 'sulfur'],
      ['sulphur', 'sulphur'],
    ],
  },
]

/** The choice of words, folded away: it changes what is shown on this device, never what is kept. */
export function WordsChoice() {
  const chosen = useSyncExternalStore(words.subscribe, words.get, () => plainWords)
  return (
    <details className="words-choice" data-as-written>
      <summary>Words</summary>
      <div>
        {choices.map(({ key, label, options }) => (
          <label key={key}>
            {label}
            <select
              className="form-select form-select-sm"
              aria-label={label}
              value={chosen[key]}
              onChange={(event) => chooseWords({ [key]: event.currentTarget.value })}
            >
              {options.map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </details>
  )
}
