import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { Frame } from '@/ui/frame/Frame'
import { Labels } from '@/ui/stores/Labels'
import { SessionHead } from '@/ui/stores/SessionHead'
import { labelsView } from '@/server/labelsView'
import { originFor } from '@/server/origin'
import { orNotFound, visitor } from '@/server/page'
import { subjectOfSession } from '@/server/sessions'

export const metadata: Metadata = { title: 'Labels' }

const initialsOf = (name: string) =>
  name
    .split(/\s+/)
    .map((part) => part[0] ?? '')
    .join('')

export default async function LabelsPage({ params }: { params: Promise<{ session: string }> }) {
  const { session: id } = await params
  const { actor, course, courses, frame } = await visitor(`/stores/${id}/labels`, 'session.read', () => subjectOfSession(id))
  const { session, day, labels } = await orNotFound(() => labelsView(id, course.lab))
  return (
    <Frame place="stores" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only labels">
        <SessionHead title="Labels" here="/labels" session={session} />
        <p className="quiet no-print">
          The hazards are those of the strength on the label, where the regulation’s limits for it are on record here, and else
          those of the pure substance. The supplier’s label and safety data sheet decide.
        </p>
        <Labels labels={labels} day={day} origin={originFor(await headers())} initials={initialsOf(actor.name)} />
      </main>
    </Frame>
  )
}
