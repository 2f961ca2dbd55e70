import { Link } from '@/ui/page/Link'

export default function NotFound() {
  return (
    <main className="page-only">
      <h1>Nothing stands here</h1>
      <p>The page does not exist, or your role in this course does not open it.</p>
      <p>
        <Link href="/">Back to today</Link>
      </p>
    </main>
  )
}
