import type { LinePart } from '@/core/plan/editPlan'
import type { Form } from '@/core/plan/plan'
import { solutionSolventNames, type SolutionSolvent } from '@/core/substance/solutionSolvents'
import { formKinds } from '../figures/formText'
import { NumberField } from './fields'

/** What comes out of the bottle of a line: its kind, how strong and in what it is. */
export function BottleFields({ form, onChange: change }: { form: Form; onChange: (part: LinePart, what: string) => void }) {
  return (
    <>
      <label>
        in the bottle
        <select
          className="form-select form-select-sm"
          aria-label="in the bottle"
          value={form.kind}
          onChange={(event) => change({ form: emptyForm(event.currentTarget.value as Form['kind']) }, 'bottle')}
        >
          {formKinds.map(({ kind, name: words }) => (
            <option key={kind} value={kind}>
              {words}
            </option>
          ))}
        </select>
      </label>
      {(form.kind === 'solid' || form.kind === 'neat') && (
        <NumberField
          label="purity"
          unit="%"
          value={form.purity * 100}
          most={100}
          onNumber={(percent) => change({ form: { ...form, purity: percent / 100 } }, 'purity')}
        />
      )}
      {form.kind === 'solid' && (
        <NumberField
          label="water of crystallisation"
          value={form.water ?? 0}
          least={-1}
          most={30}
          onNumber={(water) => change({ form: { kind: 'solid', purity: form.purity, ...(water > 0 ? { water } : {}) } }, 'water')}
        />
      )}
      {form.kind === 'mass-volume' && (
        <NumberField
          label="g in 100 mL"
          value={form.gPer100ML ?? 0}
          most={500}
          onNumber={(gPer100ML) => change({ form: { ...form, gPer100ML } }, 'strength')}
        />
      )}
      {(form.kind === 'mass-volume' || form.kind === 'solution') && (
        <label>
          dissolved in
          <select
            className="form-select form-select-sm"
            value={form.solvent ?? ''}
            onChange={(event) => {
              const { solvent: _before, ...rest } = form
              const solvent = event.currentTarget.value as SolutionSolvent | ''
              change({ form: solvent === '' ? rest : { ...rest, solvent } }, 'solvent')
            }}
          >
            <option value="">water</option>
            {solutionSolventNames.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
      )}
      {(form.kind === 'mass-volume' || form.kind === 'solution') && (
        <NumberField
          label="density, if known"
          unit="g/mL"
          value={form.gPerML ?? 0}
          most={5}
          onNumber={(gPerML) => change({ form: { ...form, gPerML } }, 'density')}
        />
      )}
      {form.kind === 'solution' && (
        <NumberField
          label="mol/L"
          value={form.molPerL ?? 0}
          most={30}
          onNumber={(molPerL) => change({ form: { ...form, molPerL } }, 'strength')}
        />
      )}
      {form.kind === 'mass-fraction' && (
        <>
          <NumberField
            label="% w/w"
            value={(form.fraction ?? 0) * 100}
            most={100}
            onNumber={(percent) => change({ form: { ...form, fraction: percent / 100 } }, 'strength')}
          />
          <NumberField
            label="density"
            unit="g/mL"
            value={form.gPerML ?? 0}
            most={5}
            onNumber={(gPerML) => change({ form: { ...form, gPerML } }, 'density')}
          />
        </>
      )}
    </>
  )
}

/** A bottle of that kind of which nothing is known yet: no strength stands there that nobody has typed. */
function emptyForm(kind: Form['kind']): Form {
  if (kind === 'solution' || kind === 'mass-volume') return { kind }
  if (kind === 'mass-fraction') return { kind, source: 'label of the bottle' }
  return { kind, purity: 1 }
}
