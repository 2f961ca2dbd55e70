import type { Metadata } from 'next'
import { openInvitation } from '@/server/invitations'
import { ready } from '@/server/page'
import { Beginning } from '@/ui/course/Beginning'
import { Entry } from '@/ui/frame/Entry'

export const metadata: Metadata = { title: 'A new college', referrer: 'no-referrer' }

export default async function First({ params }: { params: Promise<{ token: string }> }) {
  ready()
  const { token } = await params
  const open = await openInvitation(token)
  if (!open || open.person)
    return (
      <Entry title="This link has ended">
        <p>The college has begun, or the week of the link is over. The start command prints a new one while nobody has begun.</p>
      </Entry>
    )
  return (
    <Entry title="A new college">
      <p>What it is called, and you, who look after it. Courses and people come next.</p>
      <Beginning token={token} zones={Intl.supportedValuesOf('timeZone')} />
    </Entry>
  )
}
