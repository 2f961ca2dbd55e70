import { NextResponse, type NextRequest } from 'next/server'

/**
 * The content security policy of every page and route; what else is said with each answer stands in scripts/front.ts. It allows nothing from outside; scripts run only with this request's nonce. Style
 * attributes are allowed because charts and bars set sizes in them; style elements are not.
 */
export function proxy(request: NextRequest) {
  const nonce = btoa(crypto.randomUUID())
  const policy = [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    "style-src 'self'",
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  headers.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('content-security-policy', policy)
  return response
}

export const config = { matcher: '/((?!_next/static|_next/image).*)' }
