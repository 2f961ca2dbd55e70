import type { Metadata } from 'next'
import { courseSettings } from '@/server/terms'
import { hasMail } from '@/server/mail'
import { peopleOfCourse } from '@/server/people'
import { sectionsOfCourse } from '@/server/students'
import { visitor } from '@/server/page'
import { hasPin } from '@/server/pins'
import { OwnPin } from '@/ui/course/OwnPin'
import { People } from '@/ui/course/People'
import { Sections } from '@/ui/course/Sections'
import { Term } from '@/ui/course/Term'
import { Frame } from '@/ui/frame/Frame'

export const metadata: Metadata = { title: 'Course' }

export default async function CoursePage() {
  const { actor, course, courses, frame, may } = await visitor('/course', ['people.write', 'section.write', 'session.read'])
  const [people, sections, settings, pin] = await Promise.all([
    may('people.write') ? peopleOfCourse(course.id) : [],
    sectionsOfCourse(course.id),
    courseSettings(course.id),
    hasPin(actor.id),
  ])
  return (
    <Frame place="course" who={actor.name} course={course.id} courses={courses} {...frame}>
      <main className="page-only course">
        <div className="head">
          <h1>{course.title}</h1>
          <span className="sub">{[settings.term, course.college].filter(Boolean).join(', ')}</span>
        </div>
        <Sections course={course.id} sections={sections} mayWrite={may('section.write')} />
        {may('people.write') && <People course={course.id} people={people} me={actor.id} zone={course.zone} mail={hasMail()} />}
        {may('run.sign') && <OwnPin has={pin} />}
        {may('people.write') && <Term course={settings} />}
      </main>
    </Frame>
  )
}
