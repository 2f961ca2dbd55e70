import type { Metadata } from 'next'
import { Frame } from '@/ui/frame/Frame'
import { SessionHead } from '@/ui/stores/SessionHead'
import { SettingOut } from '@/ui/stores/SettingOut'
import { orNotFound, visitor } from '@/server/page'
import { settingOutView } from '@/server/settingOut'
import { subjectOfSession } from '@/server/sessions'

export const metadata: Metadata = { title: 'Set out' }

export default async function SetOutPage({ params }: { params: Promise<{ session: string }> }) {
  const { session: id } = await params
  const { actor, course, courses, frame, may } = await visitor(`/stores/${id}`, 'session.read', () => subjectOfSession(id))
  const view = await orNotFound(() => settingOutView(id, course.lab))
  return (
    <Frame place="stores" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <SessionHead title="Set out" here="" session={view.session} />
        <SettingOut view={view} mayWrite={may('shelf.write') && !view.session.cancelled} who={actor.name} />
      </main>
    </Frame>
  )
}
