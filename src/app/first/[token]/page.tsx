import type { Metadata } from 'next'
import { openInvitation } from '@/server/invitations'
import { ready } from '@/server/page'
import { Beginning } from '@/ui/course/Beginning'
import { Mark } from '@/ui/frame/Mark'

export const metadata: Metadata = { title: 'A new college', referrer: 'no-referrer' }

export default async function First({ params }: { params: Promise<{ token: string }> }) {
  ready()
  const { token } = await params
  const open = await openInvitation(token)
  return (
    <>
      <header className="bench-top">
        <span className="mark">
          <Mark />
          mozle
        </span>
      </header>
      <main className="entry-form">
        {open && !open.person ? (
          <>
            <h1>A new college</h1>
            <p>What it is called, and you, who look after it. Courses and people come next.</p>
            <Beginning token={token} zones={Intl.supportedValuesOf('timeZone')} />
          </>
        ) : (
          <>
            <h1>This link has ended</h1>
            <p>
              The college has begun, or the week of the link is over. The start command prints a new one while nobody has begun.
            </p>
          </>
        )}
      </main>
    </>
  )
}
