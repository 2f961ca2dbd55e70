import type { Lab } from '../lab/lab'
import type { WorkRow, WorkValue } from '../plan/plan'

/** `none` is shown for a 0 that nobody typed: not taken, not known. */
export interface NumberField<K extends string = string> {
  key: K
  label: string
  kind: 'number'
  unit: string
  least: number
  most: number
  none?: string
}

/** One of a few words; `ofLab` adds those of the laboratory, and then any may stand in a file from elsewhere. */
export interface ChoiceField<K extends string = string, V extends string = string> {
  key: K
  label: string
  kind: 'choice'
  ways: readonly { value: V; words: string }[]
  ofLab?: (lab: Lab) => readonly { value: V; words: string }[]
}

/** `offers`: names to choose from while it is typed; any other may be typed as well. `holds`: the name is read to the id of a substance and printed as its name; one that is `known` has to be among those offered. */
export interface TextField<K extends string = string> {
  key: K
  label: string
  kind: 'text'
  offers?: 'substances' | 'solvents' | 'samples'
  holds?: 'substance' | 'known substance'
}

export interface RowsField<K extends string = string> {
  key: K
  label: string
  kind: 'rows'
  columns: readonly (NumberField | ChoiceField | TextField)[]
  add: string
  fresh: WorkRow
}

/** One blank of a planner's sentence. */
export type Field = NumberField | ChoiceField | TextField | RowsField

/** The value of every field by its key: what was typed, and for the rest what is suggested. */
export type Filled = Record<string, WorkValue>

type ValueOf<F> = F extends { kind: 'number' }
  ? number
  : F extends { kind: 'choice'; ways: readonly { value: infer V }[] }
    ? V
    : F extends { kind: 'rows' }
      ? WorkRow[]
      : string

/** The blanks that belong to a list of fields: a misspelt key does not compile. */
export type Blanks<F extends readonly Field[]> = { [E in F[number] as E['key']]: ValueOf<E> }

/** A blank for a number. */
export const blank = <const K extends string>(
  key: K,
  label: string,
  unit: string,
  least: number,
  most: number,
  none?: string,
): NumberField<K> => ({ key, label, kind: 'number', unit, least, most, ...(none === undefined ? {} : { none }) })

type Way<W> = W extends readonly [infer V, string] ? V : W

/** A blank that is one of a few words. */
export const oneOf = <const K extends string, const W extends string | readonly [string, string]>(
  key: K,
  label: string,
  ways: readonly W[],
  ofLab?: ChoiceField['ofLab'],
): ChoiceField<K, Way<W> & string> =>
  ({
    key,
    label,
    kind: 'choice',
    ways: ways.map((way) =>
      typeof way === 'string' ? { value: way, words: way } : { value: way[0], words: way[1] },
    ) as unknown as ChoiceField<K, Way<W> & string>['ways'],
    ...(ofLab ? { ofLab } : {}),
  }) as ChoiceField<K, Way<W> & string>

/** A blank for a name. */
export const named = <const K extends string>(key: K, label: string, offers?: TextField['offers']): TextField<K> => ({
  key,
  label,
  kind: 'text',
  ...(offers ? { offers } : {}),
})

/** A blank for a substance that is known here: its name is what one sees and types, its id what the blank holds. */
export const substanceNamed = <const K extends string>(
  key: K,
  label: string,
  offers: 'substances' | 'solvents' = 'substances',
): TextField<K> => ({ ...named(key, label, offers), holds: 'known substance' })

/** The same where any other may be named too: what rules need of it stands beside it. */
export const anySubstance: typeof substanceNamed = (key, label, offers) => ({
  ...substanceNamed(key, label, offers),
  holds: 'substance',
})

/** A blank for a list. */
export const list = <const K extends string>(
  key: K,
  label: string,
  rest: Omit<RowsField, 'key' | 'label' | 'kind'>,
): RowsField<K> => ({
  key,
  label,
  kind: 'rows',
  ...rest,
})
