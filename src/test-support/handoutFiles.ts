import { strToU8, zipSync } from 'fflate'

/** A document as a word processor writes it, with as little as it needs: paragraphs, and rows of tables as lists of cells. */
export function docxOf(parts: readonly (string | readonly string[])[]): Uint8Array {
  const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;')
  const paragraph = (text: string) => `<w:p><w:r><w:t xml:space="preserve">${escaped(text)}</w:t></w:r></w:p>`
  const body = parts
    .map((part) =>
      typeof part === 'string'
        ? paragraph(part)
        : `<w:tbl><w:tr>${part.map((cell) => `<w:tc>${paragraph(cell)}</w:tc>`).join('')}</w:tr></w:tbl>`,
    )
    .join('')
  const xml = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'
  return zipSync({
    '[Content_Types].xml': strToU8(
      `${xml}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>`,
    ),
    '_rels/.rels': strToU8(
      `${xml}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>`,
    ),
    'word/document.xml': strToU8(
      `${xml}<w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>${body}</w:body></w:document>`,
    ),
  })
}

/** A page with these lines of text; with none it is a page that only shows a picture, as a scan is. */
export function pdfOf(lines: readonly string[]): Uint8Array {
  const escaped = (text: string) => text.replace(/[\\()]/g, (sign) => `\\${sign}`).replace(/°/g, '\\260')
  const content =
    lines.length === 0
      ? 'q 200 0 0 200 50 500 cm Q'
      : `BT /F1 11 Tf 60 780 Td 14 TL ${lines.map((line) => `(${escaped(line)}) Tj T*`).join(' ')} ET`
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents 4 0 R /Resources << /Font << /F1 5 0 R >> >> >>',
    `<< /Length ${content.length} >>\nstream\n${content}\nendstream`,
    '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica /Encoding /WinAnsiEncoding >>',
  ]
  let text = '%PDF-1.4\n'
  const offsets = objects.map((object, index) => {
    const at = text.length
    text += `${index + 1} 0 obj\n${object}\nendobj\n`
    return at
  })
  const start = text.length
  const rows = offsets.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('')
  text += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${rows}trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${start}\n%%EOF\n`
  return Uint8Array.from(text, (sign) => sign.charCodeAt(0))
}
