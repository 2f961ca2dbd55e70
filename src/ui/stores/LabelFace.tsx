import { statementText } from '@/reference/hazardStatements'
import { Pictogram } from '../figures/Pictogram'
import { QrCode } from '../figures/QrCode'

export interface LabelShown {
  key: string
  kind: 'substance' | 'solution' | 'sample' | 'waste'
  name: string
  detail: string
  signal: string
  pictograms: string[]
  statements: string[]
  from: string
  path: string
  note: string
}

interface Props {
  label: LabelShown
  day: string
  initials: string
  link: string
  at: { xMM: number; yMM: number; widthMM: number; heightMM: number }
}

/** Characters of statements that stand on a square centimetre of a label in its smallest print. */
const lettersPerCM2 = 14

/** More letters than this on a small label are printed smaller still. */
const mostOnSmall = 100

/** One label at its place on the sheet. Statements for which there is no room are named by their codes: nothing is cut off. */
export function LabelFace({ label, day, initials, link, at }: Props) {
  const { kind, name, detail, signal, pictograms, statements, from, note } = label
  const room = ((at.widthMM - 18) * (at.heightMM - 16)) / 100
  const words = statements.map(statementText).join('. ')
  const fits = words.length <= room * lettersPerCM2
  const shown = fits ? words : statements.join(' · ')
  const tight = at.heightMM < 30 && detail.length + shown.length > mostOnSmall
  return (
    <div
      className={`label-face ${kind}${at.heightMM < 30 ? ' small' : ''}${tight ? ' tight' : ''}`}
      role="group"
      aria-label={`Label of ${name}`}
      style={{ left: `${at.xMM}mm`, top: `${at.yMM}mm`, width: `${at.widthMM}mm`, height: `${at.heightMM}mm` }}
    >
      <div className="words">
        <b className="name">
          {kind === 'waste' && 'Waste: '}
          {kind === 'solution' && detail && `${detail} `}
          {name}
        </b>
        {detail && kind !== 'solution' && <span>{detail}</span>}
        {(signal === 'danger' || signal === 'warning') && (
          <b className={`signal ${signal}`}>{signal === 'danger' ? 'Danger' : 'Warning'}</b>
        )}
        {statements.length > 0 && <span className="statements">{shown}</span>}
        {statements.length === 0 && kind !== 'sample' && <span className="statements">{from}</span>}
        {note && <span>{note}</span>}
        <span className="made">
          {day} {initials}
        </span>
      </div>
      <div className="signs">
        {pictograms.map((code) => (
          <Pictogram key={code} code={code} />
        ))}
        <QrCode text={link} label={`Opens the card of ${name}`} />
      </div>
    </div>
  )
}
