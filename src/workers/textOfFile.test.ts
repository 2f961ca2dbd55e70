import { slower } from '@/test-support/slower'
import { strToU8, zipSync } from 'fflate'
import { lexiconWith } from '@/reference/shorthand'
import { docxOf } from '@/test-support/handoutFiles'
import { proposalOf } from './proposalOf'
import { textOfFile, textOfHtml, textOfMarkdown } from './textOfFile'

const bytes = (text: string) => new TextEncoder().encode(text)

it('html: paragraphs apart, rows with tabs, what is raised stays raised, scripts are silent', () => {
  expect(
    textOfHtml(
      '<html><head><title>x</title></head><body><h1>Benzil</h1><script>alert(1)</script><table><tr><th>Substance</th><th>Amount</th></tr><tr><td>benzoin</td><td>4.0 g</td></tr></table><p>Add 75&nbsp;cm<sup>3</sup> of\n water &amp; stir.<br>Filter.</p></body></html>',
    ),
  ).toBe('Benzil\n\nSubstance\tAmount\nbenzoin\t4.0 g\n\nAdd 75 cm³ of water & stir.\nFilter.')
})

it('markdown: marks go, tables and numbers stay', () => {
  expect(textOfMarkdown('# Benzil\n\n1. Add **4.0 g** of *benzoin*.\n\n| a | b |\n')).toBe(
    'Benzil\n\n1. Add 4.0 g of benzoin.\n\n| a | b |',
  )
})

it('a document of a word processor: paragraphs and a table', async () => {
  const text = await textOfFile('benzil.docx', docxOf(['Benzil', ['benzoin', '4.0 g'], 'Heat for 10 min at 60 °C.']))
  expect(text).toContain('Benzil')
  expect(text).toContain('benzoin\t4.0 g')
  expect(text).toContain('Heat for 10 min at 60 °C.')
})

it.each([
  ['windows-1252', Uint8Array.from([0x36, 0x30, 0x20, 0xb0, 0x43]), '60 °C'],
  ['utf-8 with its mark', Uint8Array.from([0xef, 0xbb, 0xbf, ...bytes('60 °C')]), '60 °C'],
  ['utf-16', Uint8Array.from([0xff, 0xfe, 0x36, 0, 0x30, 0]), '60'],
])('plain text in %s', async (_, content, text) => expect(await textOfFile('a.txt', content)).toBe(text))

it.each([
  ['empty', 'a.txt', new Uint8Array(), 'a.txt is empty.'],
  ['blank', 'a.txt', bytes(' \n '), 'a.txt holds no text.'],
  [
    'binary',
    'a.txt',
    Uint8Array.from([0, 1, 2, 3]),
    'a.txt is no text. Take a .txt, .md, .html, .docx or a .pdf that carries text.',
  ],
  ['a damaged document', 'a.docx', bytes('PK\u0003\u0004 nothing'), /^a\.docx could not be opened as a \.docx/],
  ['too large', 'a.txt', new Uint8Array(20_000_001), /larger than 20 MB/],
])('%s is met with words', async (_, name, content, words) => {
  await expect(textOfFile(name, content)).rejects.toThrow(words)
})

describe('files that ask for more than anybody has', () => {
  const document = (paragraphs: number) =>
    strToU8(
      `<?xml version="1.0"?><w:document><w:body>${'<w:p><w:r><w:t>aaaaaaaaaa</w:t></w:r></w:p>'.repeat(paragraphs)}</w:body></w:document>`,
    )
  const refused = async (name: string, bytes: Uint8Array) => {
    // What the processor works for it: nothing else on the machine is measured.
    const began = process.cpuUsage()
    const words = await textOfFile(name, bytes).then(
      () => 'taken',
      (error: Error) => error.message,
    )
    return [words, process.cpuUsage(began).user < 3_000_000 * slower()]
  }
  test('a document that unpacks to 62 MB, whatever it says of its size', async () => {
    const bytes = zipSync({ 'word/document.xml': new Uint8Array(62_000_000), 'a.xml': document(3) }, { level: 1 })
    expect(bytes.length).toBeLessThan(20_000_000)
    expect(await refused('large.docx', bytes)).toEqual([expect.stringMatching(/large.docx unpacks to more than 60 MB/), true])
    // The sizes of its list, set to something small.
    const lying = bytes.slice()
    const view = new DataView(lying.buffer)
    for (let at = 0; at + 46 < lying.length; at++) if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 100, true)
    expect(await refused('lying.docx', lying)).toEqual([expect.stringMatching(/unpacks to more than 60 MB/), true])
  }, 60_000)
  test('pages of marks without an end', async () => {
    expect(await refused('a.html', strToU8(`<html>${'<b>x</b>'.repeat(100_000)}`))).toEqual([
      expect.stringMatching(/at most 40,000 are read/),
      true,
    ])
    expect(await refused('a.md', strToU8('**a '.repeat(100_000)))).toEqual([
      expect.stringMatching(/at most 40,000 are read/),
      true,
    ])
  })
})

describe('texts that are no procedure by their length', () => {
  const lexicon = lexiconWith()
  const words = 'aniline water ethanol stir the mixture to flask heat under reflux 5 g mL of sodium hydroxide and then cool '
  const problem = async (text: string) => {
    const began = performance.now()
    const found = await proposalOf(text, lexicon)
    expect(performance.now() - began).toBeLessThan(8000 * slower())
    return 'problem' in found ? found.problem : 'read'
  }
  test('30 kB without an end of sentence are read', async () =>
    expect(await problem(words.repeat(400).slice(0, 30_000))).toBe('read'))
  test('up to 40,000 characters, and not one more', async () => {
    expect(await problem('x'.repeat(40_000))).toBe('read')
    expect(await problem('x'.repeat(40_001))).toMatch(/has 40,001 characters; at most 40,000/)
    expect(await problem(' '.repeat(2_000_000))).toMatch(/2,000,000/)
  })
})
