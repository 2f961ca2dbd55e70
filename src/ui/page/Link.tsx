import NextLink from 'next/link'
import type { ComponentProps } from 'react'

/**
 * A link to another page of Mozle. The page is asked for when the link is followed: a list of links that each fetch their page ahead would ask the server for dozens of pages that nobody opens, by every tablet of
 * a class.
 */
export const Link = (props: ComponentProps<typeof NextLink>) => <NextLink prefetch={false} {...props} />
