import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { Entry } from '@/ui/frame/Entry'
import { safePath } from '@/server/safePath'
import { SignInForm } from '@/ui/frame/SignInForm'

export const metadata: Metadata = { title: 'Sign in' }

export default async function SignIn({ searchParams }: { searchParams: Promise<{ to?: string; none?: string }> }) {
  const { to, none } = await searchParams
  const next = safePath(to)
  return (
    <Entry title="Sign in">
      {none && <p className="problem">You are signed in, but belong to no course yet. Ask the course owner.</p>}
      <SignInForm to={next} />
      <p className="quiet" style={{ marginTop: 22 }}>
        At a bench with a tablet? <Link href="/bench">Type the bench code</Link> instead.
      </p>
    </Entry>
  )
}
