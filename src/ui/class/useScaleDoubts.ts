import { useEffect, useState } from 'react'
import { readNumber } from '@/core/quantity/readQuantity'
import { call } from '../call'

export interface ScaleDoubt {
  id: string
  title: string
  evidence: string
}

/** What the plan doubts at each scale that a group is given: asked once for each scale, when the keys rest. */
export function useScaleDoubts(revision: string, groups: readonly { takesPart: boolean; scale: string }[]) {
  const [known, setKnown] = useState<Readonly<Record<string, ScaleDoubt[]>>>({})
  const keyOf = (text: string) => {
    const read = readNumber(text)
    return read.ok && read.value.value >= 0.05 && read.value.value <= 20 ? `${revision} ${read.value.value}` : undefined
  }
  const wanted = [...new Set(groups.flatMap(({ takesPart, scale }) => (takesPart ? (keyOf(scale) ?? []) : [])))]
  const missing = wanted.filter((key) => !(key in known)).join('|')
  useEffect(() => {
    if (missing === '') return
    const timer = setTimeout(() => {
      for (const key of missing.split('|')) {
        const [id, scale] = key.split(' ') as [string, string]
        call<{ doubts: ScaleDoubt[] }>(`/api/revisions/${id}/doubts?scale=${scale}`)
          .then(({ doubts }) => setKnown((all) => ({ ...all, [key]: doubts })))
          // Without an answer nothing is said; the session can be set all the same.
          .catch(() => undefined)
      }
    }, 300)
    return () => clearTimeout(timer)
  }, [missing])
  return (scale: string): ScaleDoubt[] => {
    const key = keyOf(scale)
    return (key !== undefined && known[key]) || []
  }
}
