import type { SettingOutView } from '@/views/stores'
import type { Lab } from '@/core/lab/lab'
import { batchOf, batches, fetchedFor, mixingWords } from '@/core/stores/batch'
import { orderList, type Ahead, type ToOrder } from '@/core/stores/orderList'
import type { NamedBottle, SetRow, SolutionRow } from '@/core/stores/setRow'
import { settingOut, usualSpare, type Need } from '@/core/stores/settingOut'
import { beforeSetOut, pickFor } from '@/core/stores/stock'
import { thingsFor } from '@/core/stores/things'
import type { Bottle } from '@/core/stores/bottle'
import type { StoresRecord } from '@/core/stores/record'
import { strengthText } from '@/core/plan/lineName'
import { stockFor } from '@/reference/solutions'
import { listBottles } from './bottles'
import { UnreadableDocument } from './documents'
import { sessionsBetween, type SessionHead } from './sessions'
import { dayPlanOf } from './dayPlans'
import { countsFor, storesRecords, storesSession } from './stores'

/** Everything that is set out for one session. @throws Refusal 404, UnreadableDocument */
export async function settingOutView(id: string, lab: Lab): Promise<SettingOutView> {
  const { plan, ...session } = await storesSession(id)
  const [records, shelf, day] = await Promise.all([storesRecords(id), listBottles(session.course), dayPlanOf(id)])
  const bottles = beforeSetOut(shelf, setOutIn(records))
  const spare = spareIn(records)
  const toSet = { id, plan, groups: session.groups }
  const { needs, unsaid } = settingOut([toSet], spare)
  return {
    session,
    rows: needs.map((need) => rowOf(need, bottles, dayIn(session))),
    things: thingsFor(toSet, lab, countsFor(lab, session.room, day)),
    unsaid,
    spare,
    records,
  }
}

/** What was set out and has not been settled since. */
function setOutIn(records: readonly StoresRecord[]): StoresRecord<'tick'>['body'][] {
  const settled = new Set(records.filter(({ kind }) => kind === 'settled').map(({ item }) => item))
  return records.flatMap((record) =>
    record.kind === 'tick' && 'done' in record.body && record.body.done && !settled.has(record.item) ? [record.body] : [],
  )
}

/** How much more is set out than the benches need: as it was said for the session, else what is usual. */
function spareIn(records: readonly StoresRecord[]): number {
  const said = records.find((record): record is StoresRecord<'spare'> => record.kind === 'spare')
  return said?.body.share ?? usualSpare
}

/** The day of a session in its laboratory’s zone, as 2026-11-26. */
export const dayIn = ({ startsAt, zone }: Pick<SessionHead, 'startsAt' | 'zone'>): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(new Date(startsAt))

const named = ({ id, place, lot, left, standard }: Bottle): NamedBottle => ({
  id,
  words: [
    place,
    lot && `lot ${lot}`,
    standard && `titre ${standard.molPerL} mol/L of ${standard.on}`,
    `${left.value} ${left.unit} left`,
  ]
    .filter(Boolean)
    .join(', '),
})

function rowOf(need: Need, bottles: readonly Bottle[], day: string): SetRow {
  const { stuff, unit, name, sum, issue, shares, madeIn, substance, form } = need
  const ready = pickFor(need, bottles, day)
  // A solution that stands on the shelf is taken from there; else what it is made from is fetched.
  const source = ready.short > 0 ? fetchedFor(need, stockFor(substance, form)) : null
  const picked = source ? pickFor(source, bottles, day) : ready
  const solution = form.kind === 'solution' || form.kind === 'mass-volume' || form.kind === 'mass-fraction'
  const tap = substance.formula === 'H2O'
  return {
    item: `${stuff} ${unit}`,
    name,
    strength: strengthText(form),
    unit,
    sum,
    issue,
    shares,
    madeIn: madeIn ?? null,
    from: picked.from.map(({ bottle, take, perUnit }) => ({ ...named(bottle), take, perUnit })),
    not: picked.not.map(({ bottle, why }) => ({ ...named(bottle), why })),
    short: tap || madeIn !== undefined ? 0 : picked.short,
    unknown: picked.unknown,
    tap,
    fetched: source ? { name: `${substance.name} ${strengthText(source.form)}`.trim(), unit: source.unit } : null,
    solution: solution && unit === 'mL' && ready.short > 0 ? solutionOf(need, issue, picked.from[0]?.bottle) : null,
  }
}

/** How a solution is made; from the purity and the water of the bottle that is taken, where one is. */
function solutionOf({ substance, form }: Need, mL: number, from?: Bottle): SolutionRow {
  const stock = stockFor(substance, form)
  const batch = batchOf(
    { substance, form },
    mL,
    stock && from && from.form.kind === stock.from.kind ? { ...stock, from: from.form } : stock,
  )
  return 'why' in batch ? batch : { ...batch, mixing: mixingWords[batch.order] }
}

/** A session ahead, with what is not ready for it. */
export interface AheadRow {
  head: SessionHead
  /** Things that are set out already, of how many. */
  ticked: number
  all: number
  fault: string | null
}

export interface StoresAhead {
  sessions: AheadRow[]
  order: (Pick<ToOrder, 'unit' | 'missing' | 'by' | 'unknown'> & {
    name: string
    strength: string
    needed: number
    for: string
  })[]
  /** Solutions of which one batch serves several sessions. */
  together: { name: string; strength: string; mL: number; keeps: string; sessions: string[]; recipe: SolutionRow }[]
  totals: { name: string; strength: string; unit: 'g' | 'mL'; sum: number; issue: number; by: Record<string, number> }[]
}

/** What the stores have before them from a moment on: the sessions, what must be ordered, and which solutions are made once for several of them. */
export async function storesAhead(course: string, from: Date, to: Date): Promise<StoresAhead> {
  const [heads, shelf] = await Promise.all([sessionsBetween(course, from, to), listBottles(course)])
  const out: StoresRecord<'tick'>['body'][] = []
  const ahead: Ahead[] = []
  const sessions: AheadRow[] = []
  for (const head of heads) {
    try {
      const { plan, groups } = await storesSession(head.id)
      // A further day of the same runs brings no new amounts: what it needs was set out with the first.
      const records = await storesRecords(head.id)
      const own = head.goesOnFrom === null ? { id: head.id, plan, groups, day: dayIn(head), spare: spareIn(records) } : null
      if (own) {
        ahead.push(own)
        out.push(...setOutIn(records))
      }
      const ticked = records.filter((record): record is StoresRecord<'tick'> => record.kind === 'tick')
      const all = own ? settingOut([own]).needs.filter(({ madeIn }) => madeIn === undefined).length + thingsFor(own).length : 0
      sessions.push({ head, ticked: ticked.filter(({ body }) => body.done).length, all, fault: null })
    } catch (error) {
      // One plan that cannot be read takes its own session out, not the page.
      if (!(error instanceof UnreadableDocument)) throw error
      sessions.push({ head, ticked: 0, all: 0, fault: error.message })
    }
  }
  const { needs } = settingOut(ahead)
  const bottles = beforeSetOut(shelf, out)
  const titleOf = (session: string) => {
    const head = heads.find(({ id }) => id === session)!
    return `${head.title}, ${head.section}`
  }
  return {
    sessions,
    order: orderList(ahead, bottles, usualSpare, stockFor).map(
      ({ substance, form, unit, issue, session, missing, by, unknown }) => ({
        name: substance.name,
        strength: strengthText(form),
        ...{ unit, missing, by, unknown },
        needed: issue,
        for: titleOf(session),
      }),
    ),
    together: needs.flatMap((need) => togetherOf(need, ahead, titleOf)),
    totals: needs
      .filter(({ madeIn }) => madeIn === undefined)
      .map(({ name, form, unit, sum, issue, shares }) => ({
        name,
        strength: strengthText(form),
        unit,
        sum,
        issue,
        by: shares.reduce<Record<string, number>>(
          (all, { session, exact }) => ({ ...all, [session]: (all[session] ?? 0) + exact }),
          {},
        ),
      })),
  }
}

function togetherOf(need: Need, ahead: readonly Ahead[], titleOf: (session: string) => string): StoresAhead['together'] {
  const { form, substance, unit, shares, name } = need
  if (unit !== 'mL' || form.kind === 'solid' || form.kind === 'neat') return []
  const stock = stockFor(substance, form)
  const wanted = ahead.flatMap(({ id, day }) => {
    const mL = shares.filter(({ session }) => session === id).reduce((sum, { exact }) => sum + exact, 0)
    return mL > 0 ? [{ session: id, at: `${day}T00:00:00Z`, mL: mL * (1 + usualSpare) }] : []
  })
  return batches(wanted, stock?.keepsDays).flatMap((batch) => {
    if (batch.length < 2) return []
    const mL = batch.reduce((sum, each) => sum + each.mL, 0)
    return [
      {
        name,
        strength: strengthText(form),
        mL,
        keeps: stock?.keeps ?? '',
        sessions: batch.map(({ session }) => titleOf(session)),
        recipe: solutionOf(need, mL),
      },
    ]
  })
}
