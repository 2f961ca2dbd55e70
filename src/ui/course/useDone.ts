'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'

/** Something that is pressed: while it goes on, what went wrong, and the page loaded anew afterwards. */
export function useDone() {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)
  const run = async (work: () => Promise<void>): Promise<boolean> => {
    setProblem(undefined)
    setBusy(true)
    try {
      await work()
      router.refresh()
      return true
    } catch (error) {
      setProblem((error as Error).message)
      return false
    } finally {
      setBusy(false)
    }
  }
  return { problem, busy, run }
}
