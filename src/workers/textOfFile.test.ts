import { docxOf } from '@/test-support/handoutFiles'
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
