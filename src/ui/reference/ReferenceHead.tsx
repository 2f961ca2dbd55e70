import { Link } from '../page/Link'

const pages = [
  ['/reference', 'Substances'],
  ['/reference/solutions', 'Stock solutions'],
  ['/reference/scratch', 'Scratch'],
  ['/reference/laboratory', 'The laboratory'],
] as const

/** The head of a page of the Reference, with the way to the others. */
export function ReferenceHead({ title, here }: { title: string; here: (typeof pages)[number][0] }) {
  return (
    <div className="head">
      <h1>{title}</h1>
      {pages
        .filter(([path]) => path !== here)
        .map(([path, name]) => (
          <Link key={path} className="sub" href={path}>
            {name}
          </Link>
        ))}
    </div>
  )
}
