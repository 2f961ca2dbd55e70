import { defaultLab } from '../../lab/lab'
import { printedPlan } from '../../operations/printedPlan'
import type { Folded } from '../../classroom/foldClass'
import { labelOf, valueOf } from '../../measurements/registry'
import { lineName } from '../../plan/lineName'
import { writeFigureText, writeNumber } from '../../quantity/write'
import { chargedLines, dispensed, reactionTable } from '../../reaction/reactionTable'
import { checkArithmetic } from '../../result/arithmetic/checkArithmetic'
import { budgetOf } from '../../result/budget'
import { lossAccounts } from '../../result/losses/lossAccount'
import { resultName } from '../../result/outcome'
import type { Entry, EntryBodies } from '../../run/entry'
import { stepTextPlain } from '../../reaction/stepText'
import { printed } from '../../words/words'

const escape = (text: string) =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!)

const table = (head: readonly string[], rows: readonly (readonly string[])[]) =>
  `<table><thead><tr>${head.map((each) => `<th scope="col">${escape(each)}</th>`).join('')}</tr></thead><tbody>${rows
    .map((row) => `<tr>${row.map((each) => `<td>${escape(each)}</td>`).join('')}</tr>`)
    .join('')}</tbody></table>`

const style =
  'body{font:16px/1.4 system-ui,sans-serif;max-width:900px;margin:24px auto;padding:0 16px;color:#17262b}table{border-collapse:collapse;width:100%;margin:6px 0 16px}th,td{text-align:left;padding:4px 10px 4px 0;border-bottom:1px solid #d8dfdc;vertical-align:top}h2{font-size:18px;margin:22px 0 4px}h3{font-size:16px;margin:14px 0 2px}s{color:#56676c}small{color:#56676c}figure{margin:6px 0 16px}img{max-width:100%}'

/** The picture that an entry holds, within the report itself; only what is written as such a picture. */
function pictureOf({ kind, body, at }: Entry, label: string): string[] {
  const picture = kind === 'observation' ? (body as EntryBodies['observation']).picture : undefined
  if (!picture || !/^data:image\/(?:jpeg|png|webp);base64,[A-Za-z0-9+/=]+$/.test(picture)) return []
  return [
    `<figure><img alt="${escape(label)}" src="${picture}"><figcaption>${escape(`${label}, ${at.slice(11, 16)} UTC`)}</figcaption></figure>`,
  ]
}

/**
 * One run as a report that stands alone: what was planned and taken, every step with what was written, results with their evidence, workings of losses and uncertainty, cautions. Pictures of the bench are within it; no script, no font, nothing from elsewhere.
 */
export function reportHtml(
  { run: { bench, members, scale }, state, results }: Folded,
  about: { title: string; section: string; when: string; revision: number; computation: string },
): string {
  const { plan } = state
  const accounts = lossAccounts(state, results)
  const budget = budgetOf(state, results)
  const cautions = [
    ...new Set(
      printedPlan(plan, reactionTable(plan), defaultLab).steps.flatMap((step) =>
        'caution' in step && step.caution ? [printed(step.caution)] : [],
      ),
    ),
  ]
  const heading = `${about.title}, bench ${bench}`
  const parts = [
    `<h1>${escape(heading)}</h1>`,
    `<p>${escape(`${members}; ${about.section}, ${about.when}; plan revision ${about.revision}; scale ${scale}; computation ${about.computation}`)}</p>`,
    '<h2>What was taken</h2>',
    table(
      ['substance', 'planned', 'taken'],
      chargedLines(state.planned).map((line) => {
        const [planned, taken] = [dispensed(line), state.charged[line.line.id]]
        return [
          lineName(plan, line.line),
          planned ? writeFigureText(planned.figure, planned.dimension) : '',
          taken ? writeFigureText(taken.figure, taken.measure) : 'not measured',
        ]
      }),
    ),
    '<h2>What was done</h2>',
    ...state.steps.flatMap((each) => {
      const written = [...each.earlier, ...each.standing]
      if (written.length === 0 && each.struck.length === 0) return []
      return [
        `<h3>${escape(printed(each.step.title))}</h3><p>${escape(stepTextPlain(each.step.text, state.planned))}</p>`,
        table(
          ['what', 'says', 'at (UTC)', 'by'],
          [
            ...written.map((entry) => [labelOf(entry, each.step), valueOf(entry), entry.at.slice(11, 16), entry.by]),
            ...each.struck.map(({ entry, reason, by }) => [
              `struck: ${labelOf(entry, each.step)}`,
              `${valueOf(entry)} (${reason})`,
              entry.at.slice(11, 16),
              by,
            ]),
          ],
        ),
        ...written.flatMap((entry) => pictureOf(entry, labelOf(entry, each.step))),
      ]
    }),
    '<h2>What came out</h2>',
    table(
      ['result', 'value', 'reading'],
      results.outcomes.map(({ quantity, of, sample, from, text, judgement }) => [
        [resultName(quantity, of), sample, from && `of ${from}`].filter(Boolean).join(', '),
        text,
        judgement ? `${judgement.words}. ${judgement.evidence}` : '',
      ]),
    ),
    `<p>${escape(results.judgement.words)}. ${escape(results.judgement.evidence)}</p>`,
    ...(budget
      ? [
          `<h2>How sure it is</h2><p>${escape(budget.text)}: ${escape(budget.contributions.map(({ words, share, how }) => `${words} ${writeNumber(100 * share, 0)} % (${how})`).join('; '))}.</p>`,
        ]
      : []),
    ...accounts.map(
      (account) =>
        `<h2>Where the rest of ${escape(account.of)} has gone</h2>${table(
          ['loss', 'g', 'span, g', 'working'],
          [...account.losses, account.unexplained].map((loss) => [
            loss.words,
            writeNumber(loss.g, 2),
            `${writeNumber(loss.lowG, 2)} to ${writeNumber(loss.highG, 2)}`,
            loss.how,
          ]),
        )}${account.unknown.length > 0 ? `<p>Not known: ${escape(account.unknown.join('; '))}.</p>` : ''}`,
    ),
    ...(state.worked
      ? [
          `<h2>The group’s own arithmetic</h2>${table(
            ['of', 'typed', 'from the readings', 'said'],
            checkArithmetic(state, results, state.worked).map(({ of, typed, right, ok, follows, slip }) => [
              of,
              typed,
              right,
              ok ? 'right' : follows ? 'right for the figure before it' : (slip ?? 'not explained'),
            ]),
          )}`,
        ]
      : []),
    ...(cautions.length > 0
      ? [`<h2>Cautions of the plan</h2><ul>${cautions.map((each) => `<li>${escape(each)}</li>`).join('')}</ul>`]
      : []),
    '<p><small>Advice to a supervised laboratory: the safety data sheets, local rules and the qualified person in charge decide.</small></p>',
  ]
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escape(heading)}</title><style>${style}</style></head><body>${parts.join('\n')}</body></html>\n`
}
