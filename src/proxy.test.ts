import { NextRequest } from 'next/server'
import { config, proxy } from './proxy'

const headersOf = (path = '/') => proxy(new NextRequest(`http://here.test${path}`)).headers

describe('headers on every answer', () => {
  const policy = headersOf().get('content-security-policy')!
  const directive = (name: string) => policy.split('; ').find((part) => part.startsWith(`${name} `))

  test('nothing is allowed that is not named', () => {
    expect(directive('default-src')).toBe("default-src 'none'")
    expect(directive('base-uri')).toBe("base-uri 'none'")
    expect(directive('frame-ancestors')).toBe("frame-ancestors 'none'")
    expect(directive('form-action')).toBe("form-action 'self'")
    expect(policy).not.toMatch(/https?:|\*|unsafe-eval/)
  })

  test('scripts need the nonce of this request, and no two requests share one', () => {
    const nonces = Array.from({ length: 20 }, () => /'nonce-([^']+)'/.exec(headersOf().get('content-security-policy')!)![1]!)
    expect(new Set(nonces).size).toBe(20)
    for (const nonce of nonces) expect(nonce.length).toBeGreaterThanOrEqual(32)
    expect(directive('script-src')).not.toMatch(/unsafe-inline/)
  })

  test('styles and everything loaded come from here', () => {
    expect(directive('style-src')).toBe("style-src 'self'")
    expect(directive('font-src')).toBe("font-src 'self'")
    expect(directive('connect-src')).toBe("connect-src 'self'")
    expect(directive('img-src')).toBe("img-src 'self' data:")
  })

  test('only built files go without', () => {
    const matcher = new RegExp(`^${config.matcher}$`)
    for (const path of ['/', '/desk', '/api/sign-in', '/class/x/results']) expect(matcher.test(path)).toBe(true)
    expect(matcher.test('/_next/static/chunks/a.js')).toBe(false)
  })
})
