import { entered } from './measurement'

/** Colours in the words of a bench book. */
export const colours = [
  'colourless',
  'white',
  'yellow',
  'orange',
  'red',
  'pink',
  'violet',
  'blue',
  'green',
  'brown',
  'black',
  'grey',
] as const

/** How much gas is seen to come. */
export const gasSeen = ['none', 'some', 'much'] as const

const gasWords = { none: 'no gas', some: 'some gas', much: 'much gas' } as const

/** The longest picture that is kept, characters of its data URL: about 60 kB. */
export const longestPicture = 80_000

/** What was seen, at any moment of any step: words, a colour, a picture kept small. */
export const observation = entered({
  schema: ({ object, string, number }) =>
    object({
      text: string().trim().max(400).defined(),
      colour: string().oneOf(colours).optional(),
      /** How much gas comes. */
      gas: string().oneOf(gasSeen).optional(),
      /** How many layers stand one on another. */
      layers: number().strict().integer().min(1).max(4).optional(),
      picture: string()
        .max(longestPicture, 'the picture is too large: it is kept small')
        .matches(/^data:image\/jpeg;base64,[A-Za-z0-9+/]+=*$/, 'a picture is a JPEG')
        .optional(),
    }).test(
      'says-something',
      'an observation says something: words, a colour, gas, layers or a picture',
      ({ text, colour, gas, layers, picture }) => Boolean(text || colour || gas || layers || picture),
    ),
  always: true,
  aside: ['text', 'picture'],
  refused: 'observation',
  label: () => 'Seen',
  value: ({ text, colour, gas, layers }) =>
    [[colour, gas && gasWords[gas], layers && (layers === 1 ? 'one layer' : `${layers} layers`)].filter(Boolean).join(', '), text]
      .filter(Boolean)
      .join(': '),
})
