'use client'

import { useRouter } from 'next/navigation'
import { call } from '../call'

/** Which of several courses to look at; the page of a thing always shows the thing's own. */
export function CourseChoice({ course, courses }: { course: string; courses: readonly { id: string; title: string }[] }) {
  const router = useRouter()
  return (
    <select
      aria-label="Course"
      value={course}
      onChange={async (event) => {
        await call('/api/course', 'POST', { course: event.currentTarget.value })
        router.push('/')
        router.refresh()
      }}
    >
      {courses.map(({ id, title }) => (
        <option key={id} value={id}>
          {title}
        </option>
      ))}
    </select>
  )
}
