/**
 * Where a person is taken after signing in: a path of this site, or the first page. A browser drops tabs and line breaks from an address and takes a backslash for a slash, so what looks like a path may lead elsewhere: it must stay a path when it
 * is read as an address.
 */
export function safePath(to: string | undefined): string {
  if (!to || !to.startsWith('/') || /[\\\p{Cc}]/u.test(to)) return '/'
  const nowhere = 'http://nowhere.invalid'
  try {
    const url = new URL(to, nowhere)
    return url.origin === nowhere && !url.pathname.startsWith('//') ? `${url.pathname}${url.search}${url.hash}` : '/'
  } catch {
    return '/'
  }
}
