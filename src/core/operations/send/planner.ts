import { taking } from '../taken'
import { slotNoted } from './rules'
import { slots, slotsOf } from './sampleSlots'
import { fact, planner, usual } from '../planner'
import { blank, oneOf } from '../fields'

const fields = [
  blank('vials', 'vials', '', 1, 10),
  oneOf('instrument', 'instrument', [
    'gas chromatography',
    'infrared',
    'nuclear magnetic resonance',
    'thin-layer chromatography',
  ]),
  blank('groups', 'benches', '', 1, 60),
] as const

/** Samples for an instrument: vials, what for, and a slot for each bench, so that results find their sample. */
export const sending = planner({
  of: 'send',
  title: 'Samples for an instrument',
  sentences: (say) => [say`${'vials'} of each bench go to ${'instrument'}, for ${'groups'}.`],
  fields,
  rules: [slotNoted],
  suggest: ({ plan }) => ({
    vials: usual(1, 'one sample of each bench'),
    instrument: usual(
      plan.steps.some(({ kind }) => kind === 'melt') ? 'infrared' : 'gas chromatography',
      'infrared for a solid that is melted, gas chromatography for the rest',
    ),
    groups: usual(8, 'a section of eight benches'),
  }),
  takes: (_context, { vials }) => [taking('sample vial', vials, { from: 'plan' })],
  report: (_context, filled) => {
    const [vials, groups] = [Math.max(1, Math.round(filled.vials)), Math.max(1, Math.round(filled.groups))]
    const last = slotsOf(groups, vials)
    return {
      facts: [fact('all', 'slots taken', vials * groups, '', 0, { how: `of ${slots.length} in a tray` })],
      advice: [
        last
          ? {
              id: 'slots',
              level: 'open',
              words: `Bench 1 has ${slotsOf(1, vials)!.join(' and ')}, bench ${groups} has ${last.join(' and ')}.`,
              why: 'side by side, benches one after another',
            }
          : {
              id: 'slots',
              level: 'doubt',
              words: `The tray has ${slots.length} slots, and ${vials * groups} are wanted: benches from ${Math.floor(slots.length / vials) + 1} on go into a second tray.`,
            },
        {
          id: 'label',
          level: 'open',
          words: `On every vial: bench, sample, date, ${filled.instrument}. The bench writes its slot down; a file that comes back is found by it.`,
        },
      ],
    }
  },
})
