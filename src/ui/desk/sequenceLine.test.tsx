import { renderToStaticMarkup } from 'react-dom/server'
import { acetanilide, benzoin } from '@/test-support/plans'
import { SequenceLine } from './SequenceLine'

const second = {
  ...acetanilide,
  lines: acetanilide.lines.map((line) => (line.id === 'aniline' ? { ...line, madeIn: 'Benzoin' } : line)),
}
const drawn = (earlier: { plans: (typeof benzoin)[]; lost: string | undefined }, writes = true) =>
  renderToStaticMarkup(<SequenceLine plan={second} earlier={earlier} onChange={writes ? () => undefined : undefined} />)

test('a preparation that nobody knows any more is said to be missing, in the line where it is to be chosen again', () => {
  const lost = { plans: [], lost: 'Benzoin' }
  expect(drawn(lost)).toContain('No preparation of the course in use is called “Benzoin”')
  expect(drawn(lost)).toContain('say in the line of aniline')
  // A reader may not see the draft that it is.
  expect(drawn(lost, false)).toBe('')
  // While it is fetched, and without the network, nothing is said.
  expect(drawn({ plans: [], lost: undefined })).toBe('')
})

test('a renamed one stands with its title of now', () => {
  const html = drawn({ plans: [{ ...benzoin, title: 'Benzoin with thiamine' }], lost: undefined })
  expect(html).toContain('Benzoin with thiamine')
  expect(html).toContain('Overall yield expected')
})
