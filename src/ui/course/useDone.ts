'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { refusalOf, type Refused } from './refusalOf'

/** Something that is pressed: while it goes on, what went wrong and with which field, and the page loaded anew afterwards. */
export function useDone() {
  const router = useRouter()
  const [refused, setRefused] = useState<Refused>()
  const [busy, setBusy] = useState(false)
  const run = async (work: () => Promise<void>): Promise<boolean> => {
    setRefused(undefined)
    setBusy(true)
    try {
      await work()
      router.refresh()
      return true
    } catch (error) {
      setRefused(refusalOf(error))
      return false
    } finally {
      setBusy(false)
    }
  }
  return { problem: refused?.words, field: refused?.field, busy, run }
}
