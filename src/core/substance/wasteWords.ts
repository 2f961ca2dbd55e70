import type { WasteStream } from './lists'

/** What is to be heeded at a container, where its name does not say it all (Prudent Practices in the Laboratory, National Research Council, ch. 8). Local rules decide. */
export const wasteWords: Partial<Record<WasteStream, string>> = {
  'cyanide, alkaline, by itself':
    'Kept above pH 10, in a container of its own in the hood. Acid sets hydrogen cyanide free: none comes near it.',
  'fluoride, by itself':
    'In a plastic container of its own, never in glass. Acid makes hydrogen fluoride of it, which goes through skin: none comes near it.',
  'quenched first, by itself':
    'Into no container as it is: what is left is destroyed in a step of its own, cold, slowly and in the hood, and only what that leaves is thrown away.',
  'peroxide former, by itself':
    'Dated when it was opened, tested for peroxides before it goes in, never distilled or left to dry; what is old is not moved but reported.',
  'explosive when dry, kept wet': 'Covered with water, the lid and its thread wiped clean; it must never dry out.',
  oxidiser: 'No paper, no solvent, no metal with it.',
  'halogenated organic': 'No metal and no strong base with it.',
}
