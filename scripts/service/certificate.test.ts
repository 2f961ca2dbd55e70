import { X509Certificate } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { createServer, get } from 'node:https'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { certificate, makeCertificate } from './certificate'

const folder = mkdtempSync(path.join(tmpdir(), 'mozle-certificate-'))
afterAll(() => rmSync(folder, { recursive: true }))
const read = (file: string) => new X509Certificate(readFileSync(file))

test('a certificate for names and addresses, signed by an authority that is made once', () => {
  const now = new Date()
  const made = makeCertificate(folder, ['lab.college.example', '127.0.0.1'], now)
  const [own, issuer] = [read(made.cert), read(made.authority)]
  expect([own.ca, issuer.ca, own.verify(issuer.publicKey)]).toEqual([false, true, true])
  expect([own.checkHost('lab.college.example'), own.checkHost('elsewhere.example'), own.checkIP('127.0.0.1')]).toEqual([
    'lab.college.example',
    undefined,
    '127.0.0.1',
  ])
  const days = (Date.parse(own.validTo) - now.getTime()) / 86_400_000
  expect(days).toBeGreaterThan(800)
  expect(days).toBeLessThanOrEqual(825)
  for (const name of ['service.key', 'authority.key']) expect(statSync(path.join(folder, name)).mode & 0o777).toBe(0o600)
  const again = makeCertificate(folder, ['10.0.0.5'], now)
  expect(read(again.authority).fingerprint256).toBe(issuer.fingerprint256)
  expect(read(again.cert).verify(issuer.publicKey)).toBe(true)
})

test('a browser that trusts the authority speaks with it, and one that does not refuses', async () => {
  const made = makeCertificate(folder, ['127.0.0.1'])
  const server = createServer({ cert: readFileSync(made.cert), key: readFileSync(made.key) }, (_, response) =>
    response.end('here'),
  )
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const url = `https://127.0.0.1:${(server.address() as AddressInfo).port}`
  const ask = (ca?: Buffer) =>
    new Promise<string>((resolve) =>
      get(url, { agent: false, ...(ca ? { ca } : {}) }, (response) => resolve(String(response.statusCode))).once(
        'error',
        (error) => resolve(error.message),
      ),
    )
  expect(await ask(readFileSync(made.authority))).toBe('200')
  expect(await ask()).toMatch(/self.signed|unable to verify/)
  server.close()
})

test('what is no name is refused, and nothing is made', () => {
  expect(certificate(['not a name', '--to', folder])).toMatchObject({
    code: 2,
    err: expect.stringContaining('“not a name” is no name') as string,
  })
  expect(certificate([])).toMatchObject({ code: 2 })
  expect(certificate(['lab.example', '--to', folder]).out).toContain('MOZLE_PUBLIC=https://lab.example:4300')
})
