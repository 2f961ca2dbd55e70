'use client'

import { useRouter } from 'next/navigation'
import { useEffect } from 'react'

/** Loads a page anew now and then while it is looked at, so that it follows what the benches do. */
export function useRefresh(everyMs: number, wanted: boolean): void {
  const router = useRouter()
  useEffect(() => {
    if (!wanted) return
    const timer = setInterval(() => {
      if (document.visibilityState === 'visible') router.refresh()
    }, everyMs)
    return () => clearInterval(timer)
  }, [router, everyMs, wanted])
}
