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

/** The longest picture that is kept, characters of its data URL: about 60 kB. */
export const longestPicture = 80_000

/** What was seen, at any moment of any step: words, a colour, a picture kept small. */
export const observation = entered({
  schema: ({ object, string }) =>
    object({
      text: string().trim().max(400).defined(),
      colour: string().oneOf(colours).optional(),
      picture: string()
        .max(longestPicture, 'the picture is too large: it is kept small')
        .matches(/^data:image\/jpeg;base64,[A-Za-z0-9+/]+=*$/, 'a picture is a JPEG')
        .optional(),
    }).test('says-something', 'an observation says something: words, a colour or a picture', ({ text, colour, picture }) =>
      Boolean(text || colour || picture),
    ),
  always: true,
  aside: ['text', 'picture'],
  refused: 'observation',
  label: () => 'Seen',
  value: ({ text, colour }) => [colour, text].filter(Boolean).join(': '),
})
