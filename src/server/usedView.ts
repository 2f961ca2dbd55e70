import type { StoresSessionView, UsedRowView } from '@/views/stores'
import { foldRun } from '@/core/run/foldRun'
import type { Lab } from '@/core/lab/lab'
import type { StoresRecord } from '@/core/stores/record'
import { usedUp } from '@/core/stores/usedUp'
import { readEntries } from '@/data/entries'
import { settingOutView } from './settingOut'
import { isOver } from './sessions'
import { planOfSession } from './stores'
import { slowly } from './slowly'

export interface UsedView {
  session: StoresSessionView
  /** True when nothing is charged any more: the session is over, or all benches are done. */
  over: boolean
  rows: UsedRowView[]
}

/** What the benches of a session really used, against what was set out. @throws Refusal 404, UnreadableDocument */
export async function usedView(id: string, lab: Lab): Promise<UsedView> {
  const { session, rows, records } = await settingOutView(id, lab)
  const [plan, entries] = await Promise.all([planOfSession(id), readEntries(session.groups.map(({ run }) => run))])
  const units = Object.fromEntries(rows.map(({ item, unit }) => [item.slice(0, -unit.length - 1), unit]))
  const states = await slowly(session.groups, ({ run, scale }) => foldRun(plan, scale, entries[run] ?? []))
  const used = usedUp(
    plan,
    states.map(({ charged }, index) => ({ scale: session.groups[index]!.scale, charged })),
    units,
  )
  const of = <K extends 'tick' | 'settled'>(kind: K, item: string) =>
    records.find((record): record is StoresRecord<K> => record.kind === kind && record.item === item)
  return {
    session,
    over: (await isOver(id)) || (states.length > 0 && states.every(({ now, steps }) => now === steps.length)),
    rows: rows
      .filter(({ madeIn, tap }) => madeIn === null && !tap)
      .map(({ item, name, unit, from }) => {
        const tick = of('tick', item)
        const charged = used.find((each) => each.item === item)
        return {
          item,
          name,
          unit,
          out: (tick?.body.done ? tick.body.from : []).map(({ bottle, take }) => {
            const perUnit = from.find(({ id }) => id === bottle)?.perUnit ?? 1
            return { bottle, take: take / perUnit, perUnit }
          }),
          charged: charged?.amount ?? 0,
          benches: charged?.benches ?? 0,
          unreadable: charged?.unreadable ?? 0,
          bottles: from.map(({ id: bottle, words, perUnit }) => ({ id: bottle, words, perUnit })),
          settled: of('settled', item) ?? null,
        }
      }),
  }
}
