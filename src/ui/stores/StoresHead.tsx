import { Link } from '../page/Link'
import type { ReactNode } from 'react'

const pages = [
  ['/stores', 'Sessions ahead'],
  ['/stores/shelf', 'Bottles on the shelf'],
] as const

/** The head of a page of the stores, with the way to the other. */
export function StoresHead({ title, here, children }: { title: string; here: (typeof pages)[number][0]; children?: ReactNode }) {
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
      <div className="actions">{children}</div>
    </div>
  )
}
