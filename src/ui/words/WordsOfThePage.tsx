'use client'

import { useEffect, useSyncExternalStore } from 'react'
import { plainWords, type Words } from '@/core/words/say'
import { recallWords, sayThroughout, systematicNames, words } from './Vocabulary'

/** Keeps the whole page in the words that this device has chosen, else in those of the college. */
export function WordsOfThePage({ ofCollege }: { ofCollege: Words }) {
  const chosen = useSyncExternalStore(words.subscribe, words.get, () => plainWords)
  const { volume, names, sulfur } = ofCollege
  useEffect(() => recallWords({ volume, names, sulfur }), [volume, names, sulfur])
  useEffect(() => {
    if (JSON.stringify(chosen) === JSON.stringify(plainWords)) return undefined
    let back: (() => void) | undefined
    let gone = false
    const begin = (names: [string, string][]) => {
      if (!gone) back = sayThroughout(document.body, names, chosen)
    }
    if (chosen.names === 'systematic') systematicNames().then(begin, () => begin([]))
    else begin([])
    return () => {
      gone = true
      back?.()
    }
  }, [chosen])
  return null
}
