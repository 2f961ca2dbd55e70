import type { Metadata } from 'next'
import Link from 'next/link'
import { Mark } from '@/ui/frame/Mark'
import { safePath } from '@/server/safePath'
import { SignInForm } from '@/ui/frame/SignInForm'

export const metadata: Metadata = { title: 'Sign in' }

export default async function SignIn({ searchParams }: { searchParams: Promise<{ to?: string; none?: string }> }) {
  const { to, none } = await searchParams
  const next = safePath(to)
  return (
    <>
      <header className="bench-top">
        <span className="mark">
          <Mark />
          mozle
        </span>
      </header>
      <main className="entry-form">
        <h1>Sign in</h1>
        {none && <p className="problem">You are signed in, but belong to no course yet. Ask the course owner.</p>}
        <SignInForm to={next} />
        <p className="quiet" style={{ marginTop: 22 }}>
          At a bench with a tablet? <Link href="/bench">Type the bench code</Link> instead.
        </p>
      </main>
    </>
  )
}
