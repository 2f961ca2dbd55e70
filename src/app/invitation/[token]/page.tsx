import type { Metadata } from 'next'
import { openInvitation } from '@/server/invitations'
import { ready } from '@/server/page'
import { Entry } from '@/ui/frame/Entry'
import { ChoosePassword } from '@/ui/course/ChoosePassword'

export const metadata: Metadata = { title: 'Choose a password', referrer: 'no-referrer' }

export default async function InvitationPage({ params }: { params: Promise<{ token: string }> }) {
  ready()
  const { token } = await params
  const open = await openInvitation(token)
  if (!open?.person)
    return (
      <Entry title="This link has ended">
        <p>It was used already, or its week is over. Ask whoever sent it for a new one.</p>
      </Entry>
    )
  return (
    <Entry title={`Welcome, ${open.person.name}`}>
      <p>
        You sign in as <b className="fig">{open.person.signIn}</b>. Choose a password of your own; this link is used up with it.
      </p>
      <ChoosePassword token={token} signIn={open.person.signIn} />
    </Entry>
  )
}
