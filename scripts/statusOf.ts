import { get as getPlain } from 'node:http'
import { get as getSecure } from 'node:https'

/** The status with which an address answers; null where nobody does within two seconds. A certificate is not asked about: this is our own machine. */
export function statusOf(url: string): Promise<number | null> {
  return new Promise((resolve) => {
    const options = { timeout: 2000, agent: false, rejectUnauthorized: false }
    const request = (url.startsWith('https:') ? getSecure : getPlain)(url, options, (response) => {
      response.resume()
      resolve(response.statusCode ?? null)
    })
    request.once('timeout', () => request.destroy())
    request.once('error', () => resolve(null))
  })
}
