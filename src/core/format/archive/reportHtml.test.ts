import { TestLog } from '@/test-support/entries'
import { acetanilide } from '@/test-support/plans'
import { foldClass } from '../../classroom/foldClass'
import { reportHtml } from './reportHtml'

const about = { title: 'Acetanilide', section: 'Section A', when: '2026-11-17', revision: 1, computation: '1' }
const report = (picture: string, text = 'turns pale') => {
  const log = new TestLog()
  log.add('charge-aniline', 'observation', { text, picture })
  const [folded] = foldClass(acetanilide, [{ id: 'r', bench: 1, members: 'Bell & Ash', scale: 1, entries: log.entries }])
  return reportHtml(folded!, about)
}

test('a picture of the bench stands within the report, beside the words of who took it', () => {
  const html = report('data:image/jpeg;base64,AAAA')
  expect(html).toContain('src="data:image/jpeg;base64,AAAA"')
  expect(html).toContain('13:01 UTC</figcaption>')
})
test.each(['https://elsewhere/a.png', 'data:image/svg+xml;base64,AAAA', 'data:image/png;base64,AA"onload="x'])(
  'nothing else is shown as one: %s',
  (picture) => expect(report(picture)).not.toContain('<img'),
)
test('words are words, whatever signs they hold', () => {
  const html = report('data:image/jpeg;base64,AAAA', '<b>hot</b>')
  expect(html).toContain('&lt;b&gt;hot')
  expect(html).toContain('Bell &amp; Ash')
})
