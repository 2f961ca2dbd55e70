import { Link } from '../page/Link'
import type { ReactNode } from 'react'
import { Mark } from './Mark'
import { CallsBanner } from './CallsBanner'
import { CourseChoice } from './CourseChoice'
import { SignOut } from './SignOut'
import { WordsChoice } from '../words/WordsChoice'

export type Place = 'today' | 'desk' | 'stores' | 'bench' | 'class' | 'reference' | 'course' | 'college'

const places: { place: Place; href: string; name: string }[] = [
  { place: 'desk', href: '/desk', name: 'Desk' },
  { place: 'stores', href: '/stores', name: 'Stores' },
  { place: 'bench', href: '/bench', name: 'Bench' },
  { place: 'class', href: '/class', name: 'Class' },
  { place: 'reference', href: '/reference', name: 'Reference' },
]

interface Props {
  place: Place
  who: string
  aside?: string
  /** The course that is shown, and all of this person's, when there are several. */
  course: string
  courses: readonly { id: string; title: string }[]
  /** Whether this person sees sessions and the course’s own page, and the college’s. */
  mayCourse: boolean
  mayCollege: boolean
  /** Whether benches may call this person. */
  maySign: boolean
  children: ReactNode
}

/** The bench top around every page of a signed-in person: the places, and who is here. */
export function Frame({ place, who, aside, course, courses, mayCourse, mayCollege, maySign, children }: Props) {
  // Who reads results only has nothing to make ready.
  const open = places.filter(({ place: each }) => each !== 'stores' || mayCourse)
  const further = [
    ...(mayCourse ? [{ place: 'course', href: '/course', name: 'Course' }] : []),
    ...(mayCollege ? [{ place: 'college', href: '/college', name: 'College' }] : []),
  ]
  return (
    <>
      <a className="skip" href="#work">
        Skip to the work
      </a>
      <header className="bench-top">
        <Link href="/" className="mark" aria-label="Mozle, today">
          <Mark />
          mozle
        </Link>
        <nav aria-label="Places">
          {open.map(({ place: each, href, name }) => (
            <Link key={each} href={href} aria-current={each === place ? 'page' : undefined}>
              {name}
            </Link>
          ))}
        </nav>
        <div className="who">
          {courses.length > 0 ? <CourseChoice course={course} courses={courses} /> : aside && <span>{aside}</span>}
          {further.map(({ place: each, href, name }) => (
            <Link key={each} href={href} aria-current={each === place ? 'page' : undefined}>
              {name}
            </Link>
          ))}
          <span>{who}</span>
          <WordsChoice />
          <SignOut />
        </div>
      </header>
      {maySign && <CallsBanner />}
      <div id="work">{children}</div>
    </>
  )
}
