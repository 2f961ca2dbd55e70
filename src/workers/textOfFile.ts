import { Unzip, UnzipInflate } from 'fflate'
import { parse, NodeType, type HTMLElement, type Node } from 'node-html-parser'
import { mostCharacters, tooLong } from './tooLong'

/** A file that holds no text that could be read, with what would. */
export class NoTextError extends Error {}

/** Larger than any handout: what is dropped by mistake is not read to its end. */
const mostBytes = 20_000_000
/** What a packed document may unpack to; a handout with its pictures has some MB. */
const mostUnpacked = 60_000_000
/** So many characters of marks and text a page may have that is written with marks: five times what is read in the end. */
const mostMarked = 5 * mostCharacters
const mostPages = 60

const block = new Set([
  'P',
  'DIV',
  'LI',
  'UL',
  'OL',
  'H1',
  'H2',
  'H3',
  'H4',
  'H5',
  'H6',
  'TABLE',
  'SECTION',
  'ARTICLE',
  'BLOCKQUOTE',
  'PRE',
  'DT',
  'DD',
  'HEADER',
  'FOOTER',
  'MAIN',
])
const silent = new Set(['SCRIPT', 'STYLE', 'HEAD', 'NAV', 'TEMPLATE', 'NOSCRIPT', 'SVG'])

const raised: Readonly<Record<string, string>> = { '0': '⁰', '1': '¹', '2': '²', '3': '³', '-': '⁻' }

function textOfNode(node: Node): string {
  if (node.nodeType === NodeType.TEXT_NODE) return node.text.replace(/\s+/g, ' ')
  if (node.nodeType !== NodeType.ELEMENT_NODE) return ''
  const element = node as HTMLElement
  const tag = element.tagName ?? ''
  if (silent.has(tag)) return ''
  if (tag === 'BR') return '\n'
  const inside = element.childNodes.map(textOfNode).join('')
  if (tag === 'SUP') return [...inside].map((sign) => raised[sign] ?? sign).join('')
  // A row of a table is a line, its cells apart by tabs.
  if (tag === 'TR')
    return `${element.childNodes
      .filter((each) => ['TD', 'TH'].includes((each as HTMLElement).tagName ?? ''))
      .map((cell) => textOfNode(cell).trim().replace(/\s+/g, ' '))
      .join('\t')}\n`
  if (tag === 'LI') return `\n${inside.trim()}\n`
  return block.has(tag) ? `\n\n${inside}\n\n` : inside
}

/** The text of a page of HTML: paragraphs apart, a table as rows with tabs. */
export const textOfHtml = (html: string): string =>
  textOfNode(parse(html, { comment: false }))
    .replace(/[ ]+\n/g, '\n')
    .replace(/\n[ ]+/g, '\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim()

/** The text of a page of Markdown: its marks taken away, tables left as they are. */
export const textOfMarkdown = (text: string): string =>
  text
    .replace(/^#{1,6}\s+/gm, '')
    .replace(/(\*\*|__)(.+?)\1/g, '$2')
    .replace(/(?<![\w*])[*_]([^*_\n]+)[*_](?![\w*])/g, '$1')
    .replace(/`([^`\n]+)`/g, '$1')
    .replace(/^>\s?/gm, '')
    .trim()

/** Unpacks a document piece by piece, keeping nothing, until it is more than any has: what its own list says of sizes is not believed. @throws NoTextError */
function unpacksWithinBounds(name: string, bytes: Uint8Array): void {
  let size = 0
  const zip = new Unzip((file) => {
    file.ondata = (error, piece) => {
      if (error) throw error
      size += piece.length
      if (size > mostUnpacked)
        throw new NoTextError(
          `${name} unpacks to more than ${mostUnpacked * 1e-6} MB. Copy the text of the procedure and paste it.`,
        )
    }
    file.start()
  })
  zip.register(UnzipInflate)
  const step = 16_384
  for (let at = 0; at < bytes.length; at += step) zip.push(bytes.subarray(at, at + step), at + step >= bytes.length)
}

async function textOfDocx(name: string, bytes: Uint8Array): Promise<string> {
  unpacksWithinBounds(name, bytes)
  const { default: mammoth } = await import('mammoth')
  const buffer = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer
  // The library takes the one in a browser and the other in Node.
  const input = typeof Buffer === 'undefined' ? { arrayBuffer: buffer } : { buffer: Buffer.from(bytes), arrayBuffer: buffer }
  return textOfHtml((await mammoth.convertToHtml(input as { arrayBuffer: ArrayBuffer })).value)
}

interface Piece {
  str: string
  hasEOL: boolean
  transform: number[]
  width: number
  height: number
}

/** Pieces of a page as lines: a wide gap in one line parts two columns of a table. */
function linesOfPage(pieces: readonly Piece[]): string {
  let text = ''
  let last: Piece | undefined
  for (const piece of pieces) {
    const [, , , , x = 0, y = 0] = piece.transform
    if (last) {
      const [, , , , lastX = 0, lastY = 0] = last.transform
      const size = Math.max(piece.height, last.height, 6)
      if (Math.abs(y - lastY) > 1.8 * size) text = `${text.trimEnd()}\n\n`
      else if (last.hasEOL || Math.abs(y - lastY) > 0.6 * size) text = `${text.trimEnd()}\n`
      else if (x - (lastX + last.width) > 2.5 * size) text += '\t'
      else if (x - (lastX + last.width) > 0.2 * size && !/\s$/.test(text)) text += ' '
    }
    text += piece.str
    if (piece.str !== '') last = piece
    else if (piece.hasEOL && last) last = { ...last, hasEOL: true }
  }
  return text.trim()
}

const ligatures: Readonly<Record<string, string>> = { ﬀ: 'ff', ﬁ: 'fi', ﬂ: 'fl', ﬃ: 'ffi', ﬄ: 'ffl' }

async function textOfPdf(bytes: Uint8Array, progress: (share: number) => void): Promise<string> {
  const pdfjs = await import('pdfjs-dist/legacy/build/pdf.mjs')
  // It works in this thread, which is off the page already.
  ;(globalThis as { pdfjsWorker?: unknown }).pdfjsWorker = await import('pdfjs-dist/legacy/build/pdf.worker.mjs')
  const document = await pdfjs.getDocument({
    data: Uint8Array.from(bytes),
    isEvalSupported: false,
    useSystemFonts: false,
    disableFontFace: true,
    verbosity: 0,
  }).promise
  const pages: string[] = []
  for (let number = 1; number <= Math.min(document.numPages, mostPages); number++) {
    const page = await document.getPage(number)
    const { items } = await page.getTextContent()
    pages.push(linesOfPage(items.filter((item): item is (typeof items)[number] & Piece => 'str' in item)))
    progress(number / document.numPages)
  }
  await document.destroy()
  return pages
    .join('\n\n')
    .replace(/[ﬀﬁﬂﬃﬄ]/g, (sign) => ligatures[sign]!)
    .replace(/(\p{Ll})-\n(\p{Ll})/gu, '$1$2')
}

const decoded = (bytes: Uint8Array): string => {
  const [first, second] = bytes
  const encoding = first === 0xff && second === 0xfe ? 'utf-16le' : first === 0xfe && second === 0xff ? 'utf-16be' : undefined
  if (encoding) return new TextDecoder(encoding).decode(bytes)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return new TextDecoder('windows-1252').decode(bytes)
  }
}

/** A text with marks, before they are taken away. @throws NoTextError where it is too long */
function marked(name: string, bytes: Uint8Array): string {
  const text = decoded(bytes)
  if (text.length > mostMarked) throw new NoTextError(tooLong(text, name))
  return text
}

/** True for bytes that are no text in any writing: many that no text has. */
const isBinary = (text: string) => {
  const start = text.slice(0, 4000)
  return start.includes('\u0000') || (start.match(/[\u0001-\u0008\u000e-\u001f\ufffd]/g) ?? []).length > start.length / 50
}

/** What a file is by its first bytes, and where these do not say it by its name. */
function kindOf(name: string, bytes: Uint8Array): 'pdf' | 'docx' | 'html' | 'markdown' | 'text' {
  const start = new TextDecoder('latin1').decode(bytes.slice(0, 600))
  if (start.startsWith('%PDF')) return 'pdf'
  if (start.startsWith('PK')) return 'docx'
  if (/\.html?$/i.test(name) || /^\s*<(?:!doctype html|html)/i.test(start)) return 'html'
  return /\.(?:md|markdown)$/i.test(name) ? 'markdown' : 'text'
}

async function read(name: string, bytes: Uint8Array, progress: (share: number) => void): Promise<string> {
  switch (kindOf(name, bytes)) {
    case 'pdf':
      return textOfPdf(bytes, progress)
    case 'docx':
      return textOfDocx(name, bytes)
    case 'html':
      return textOfHtml(marked(name, bytes))
    case 'markdown':
      return textOfMarkdown(marked(name, bytes))
    default:
      return decoded(bytes)
  }
}

/**
 * The text of a file as it is read for a procedure: .txt, .md, .html, .docx and .pdf that carries text.
 * @throws NoTextError with what would be right, for what is too large, damaged, empty, or a picture of a page.
 */
export async function textOfFile(name: string, bytes: Uint8Array, progress: (share: number) => void = () => {}): Promise<string> {
  if (bytes.length > mostBytes) throw new NoTextError(`${name} is larger than 20 MB. Take the pages of the procedure out of it.`)
  if (bytes.length === 0) throw new NoTextError(`${name} is empty.`)
  const kind = kindOf(name, bytes)
  let text: string
  try {
    text = await read(name, bytes, progress)
  } catch (error) {
    if (error instanceof NoTextError) throw error
    throw new NoTextError(
      kind === 'docx'
        ? `${name} could not be opened as a .docx. If it is an older .doc, save it as .docx or copy its text.`
        : `${name} could not be opened: it is damaged, or locked with a password. Copy its text and paste it.`,
    )
  }
  if (kind === 'text' && isBinary(text))
    throw new NoTextError(`${name} is no text. Take a .txt, .md, .html, .docx or a .pdf that carries text.`)
  if (text.trim() === '')
    throw new NoTextError(
      kind === 'pdf'
        ? `${name} is a picture of a page: it carries no text. Have the text recognised first, or type the procedure.`
        : `${name} holds no text.`,
    )
  return text.replace(/\r\n?/g, '\n').replace(/^\ufeff/, '')
}
