import { piecesOf } from './pieces'
import { asWords } from './words'

const pieces = (text: string) => piecesOf(asWords(text))

test('text, lines, parts of lines and blanks, in their order', () => {
  expect(pieces('Add {acid} and {water 12.5 %}, for {@holdMin}.')).toEqual([
    { kind: 'text', text: 'Add ' },
    { kind: 'line', line: 'acid', part: 1, written: '{acid}' },
    { kind: 'text', text: ' and ' },
    { kind: 'line', line: 'water', part: 0.125, written: '{water 12.5 %}' },
    { kind: 'text', text: ', for ' },
    { kind: 'blank', key: 'holdMin', written: '{@holdMin}' },
    { kind: 'text', text: '.' },
  ])
})

test.each(['', 'no field', '{}', '{two words}', '{a', 'a}', '{@}', '{@acid 8 %}'])('nothing in “%s” is a field', (text) => {
  expect(pieces(text).every(({ kind }) => kind === 'text')).toBe(true)
})

test.each(['{a}{b}', ' {a} {@b}', '{a 5 %}, {b', '{@c 5 %} x'])('put together again, “%s” is what it was', (text) => {
  expect(
    pieces(text)
      .map((piece) => (piece.kind === 'text' ? piece.text : piece.written))
      .join(''),
  ).toBe(text)
})
