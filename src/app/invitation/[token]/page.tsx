import type { Metadata } from 'next'
import { openInvitation } from '@/server/invitations'
import { ready } from '@/server/page'
import { Mark } from '@/ui/frame/Mark'
import { ChoosePassword } from '@/ui/course/ChoosePassword'

export const metadata: Metadata = { title: 'Choose a password', referrer: 'no-referrer' }

export default async function InvitationPage({ params }: { params: Promise<{ token: string }> }) {
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
        {open?.person ? (
          <>
            <h1>Welcome, {open.person.name}</h1>
            <p>
              You sign in as <b className="fig">{open.person.signIn}</b>. Choose a password of your own; this link is used up with
              it.
            </p>
            <ChoosePassword token={token} signIn={open.person.signIn} />
          </>
        ) : (
          <>
            <h1>This link has ended</h1>
            <p>It was used already, or its week is over. Ask whoever sent it for a new one.</p>
          </>
        )}
      </main>
    </>
  )
}
