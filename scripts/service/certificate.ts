import { generateKeyPairSync, randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { isIP } from 'node:net'
import path from 'node:path'
import forge from 'node-forge'
import type { Outcome } from '../outcome'

/** An authority of a laboratory's own is put on its tablets once, and lasts as long as they do. */
const authorityYears = 10
/** Tablets refuse a longer one, also from an authority of one's own (825 days). */
const certificateDays = 820

interface Pair {
  cert: forge.pki.Certificate
  key: forge.pki.PrivateKey
}

const dayMs = 86_400_000

function begin(
  commonName: string,
  days: number,
  now: Date,
): { cert: forge.pki.Certificate; keyPem: string; key: forge.pki.PrivateKey } {
  const { privateKey, publicKey } = generateKeyPairSync('rsa', {
    modulusLength: 2048,
    privateKeyEncoding: { type: 'pkcs1', format: 'pem' },
    publicKeyEncoding: { type: 'spki', format: 'pem' },
  })
  const cert = forge.pki.createCertificate()
  cert.publicKey = forge.pki.publicKeyFromPem(publicKey)
  // Positive, as the standard asks: the first bit stays clear.
  cert.serialNumber = `0${randomBytes(16).toString('hex').slice(1)}`
  cert.validity.notBefore = new Date(now.getTime() - dayMs)
  cert.validity.notAfter = new Date(now.getTime() + days * dayMs)
  cert.setSubject([{ name: 'commonName', value: commonName }])
  return { cert, keyPem: privateKey, key: forge.pki.privateKeyFromPem(privateKey) }
}

/** The authority of a folder; made where there is none. */
function authority(folder: string, now: Date): Pair {
  const [certFile, keyFile] = [path.join(folder, 'authority.crt'), path.join(folder, 'authority.key')]
  if (existsSync(certFile) && existsSync(keyFile))
    return {
      cert: forge.pki.certificateFromPem(readFileSync(certFile, 'utf8')),
      key: forge.pki.privateKeyFromPem(readFileSync(keyFile, 'utf8')),
    }
  const { cert, key, keyPem } = begin('Mozle laboratory authority', authorityYears * 365, now)
  cert.setIssuer(cert.subject.attributes)
  cert.setExtensions([
    { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
    { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    { name: 'subjectKeyIdentifier' },
  ])
  cert.sign(key as forge.pki.rsa.PrivateKey, forge.md.sha256.create())
  writeFileSync(keyFile, keyPem, { mode: 0o600, flag: 'wx' })
  writeFileSync(certFile, forge.pki.certificateToPem(cert))
  return { cert, key }
}

/** Makes a certificate for the names and addresses under which a service is found in a laboratory's network, signed by an authority of its own that is made once. */
export function makeCertificate(
  folder: string,
  names: readonly string[],
  now = new Date(),
): { cert: string; key: string; authority: string } {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const issuer = authority(folder, now)
  const { cert, keyPem } = begin(names[0]!, certificateDays, now)
  cert.setIssuer(issuer.cert.subject.attributes)
  cert.setExtensions([
    { name: 'basicConstraints', cA: false, critical: true },
    { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, critical: true },
    { name: 'extKeyUsage', serverAuth: true },
    { name: 'subjectAltName', altNames: names.map((name) => (isIP(name) ? { type: 7, ip: name } : { type: 2, value: name })) },
    { name: 'subjectKeyIdentifier' },
  ])
  cert.sign(issuer.key as forge.pki.rsa.PrivateKey, forge.md.sha256.create())
  const [certFile, keyFile] = [path.join(folder, 'service.crt'), path.join(folder, 'service.key')]
  writeFileSync(keyFile, keyPem, { mode: 0o600 })
  writeFileSync(certFile, forge.pki.certificateToPem(cert))
  return { cert: certFile, key: keyFile, authority: path.join(folder, 'authority.crt') }
}

const isName = (name: string) =>
  isIP(name) !== 0 || /^(?=.{1,253}$)[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*$/i.test(name)

/** `mozle certificate NAME... [--to DIR]`: for a laboratory's network without a public name. */
export function certificate(args: readonly string[]): Outcome {
  const at = args.indexOf('--to')
  const folder = at >= 0 ? args[at + 1] : '/etc/mozle/tls'
  const names = args.filter((_, index) => at < 0 || (index !== at && index !== at + 1))
  const wrong = names.find((name) => !isName(name))
  if (names.length === 0 || folder === undefined || wrong !== undefined)
    return {
      code: 2,
      out: '',
      err: `${wrong === undefined ? '' : `“${wrong}” is no name and no address of a machine.\n`}usage: ./mozle certificate lab.college.example 10.0.0.5 [--to DIR]\n`,
    }
  try {
    const made = makeCertificate(folder, names)
    return {
      code: 0,
      out: [
        `The certificate is good for ${names.join(', ')}, ${certificateDays} days. Make it anew before that with the same command: the authority stays.`,
        '',
        `MOZLE_TLS_CERT=${made.cert}`,
        `MOZLE_TLS_KEY=${made.key}`,
        `MOZLE_PUBLIC=https://${names[0]}:4300`,
        '',
        `Put ${made.authority} on every tablet and computer of the laboratory, as a trusted authority. Keep authority.key where nobody else reads it: whoever has it can pass for any address on those machines.`,
        '',
      ].join('\n'),
      err: '',
    }
  } catch (error) {
    return { code: 1, out: '', err: `${(error as Error).message}\n` }
  }
}
