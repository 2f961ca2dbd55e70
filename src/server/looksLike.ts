/** Letters of other scripts, and digits, that look like Latin ones in the usual fonts (Unicode Technical Standard 39, confusables: those of Cyrillic and Greek that a name is likely to hold). */
const alike: Readonly<Record<string, string>> = {
  ...{ а: 'a', е: 'e', о: 'o', р: 'p', с: 'c', у: 'y', х: 'x', і: 'i', ј: 'j', ѕ: 's', һ: 'h', ԁ: 'd', ԛ: 'q', ԝ: 'w' },
  ...{ А: 'a', В: 'b', Е: 'e', К: 'k', М: 'm', Н: 'h', О: 'o', Р: 'p', С: 'c', Т: 't', У: 'y', Х: 'x', І: 'l', Ј: 'j', Ѕ: 's' },
  ...{ ο: 'o', ν: 'v', ι: 'i', α: 'a', ρ: 'p', υ: 'u', κ: 'k' },
  ...{ Α: 'a', Β: 'b', Ε: 'e', Ζ: 'z', Η: 'h', Ι: 'l', Κ: 'k', Μ: 'm', Ν: 'n', Ο: 'o', Ρ: 'p', Τ: 't', Υ: 'y', Χ: 'x' },
  ...{ I: 'l', '1': 'l', '|': 'l', '0': 'o', ı: 'i' },
}

/** What a name looks like: its letters as Latin ones where they look like them, small, without what is not seen. Two names with the same look cannot be told apart on a screen. */
export const lookOf = (name: string): string =>
  [...name.normalize('NFKC').replace(/\p{Cf}|\p{Cc}/gu, '')]
    .map((letter) => alike[letter] ?? letter.toLowerCase())
    .join('')
    .replace(/[‐-―−]/g, '-')
    .replace(/[’‘`´]/g, "'")
    .replace(/\s+/g, ' ')
    .trim()
    // Written close together, they look like one.
    .replaceAll('rn', 'm')
