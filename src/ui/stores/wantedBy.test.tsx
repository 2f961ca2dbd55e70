import { renderToStaticMarkup } from 'react-dom/server'
import { WantedBy } from './WantedBy'

test.each([
  ['2026-11-26', 'Thursday 26 November'],
  ['2026-11-25', 'at once it was wanted by Wednesday 25 November'],
])('what is wanted by %s, on the 26th', (day, words) => {
  const html = renderToStaticMarkup(<WantedBy day={day} today="2026-11-26" />)
  expect(html.replace(/<[^>]+>/g, '')).toBe(words)
})
