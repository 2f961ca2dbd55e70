'use client'

import { useRouter } from 'next/navigation'
import { call } from '../call'

export function SignOut() {
  const router = useRouter()
  return (
    <button
      type="button"
      onClick={async () => {
        await call('/api/sign-in', 'DELETE')
        router.push('/sign-in')
        router.refresh()
      }}
    >
      Sign out
    </button>
  )
}
