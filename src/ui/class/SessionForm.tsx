'use client'

import { yupResolver } from '@hookform/resolvers/yup'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import { useFieldArray, useForm, useWatch } from 'react-hook-form'
import { array, boolean, object, string } from 'yup'
import { readNumber } from '@/core/quantity/readQuantity'
import { writeNumber } from '@/core/quantity/write'
import { call } from '../call'
import { State } from '../figures/State'
import { chainOf, daysSchema, wantedDay, type SessionDay } from './sessionDay'
import { SessionDays } from './SessionDays'
import { useSaidBefore } from './useSaidBefore'
import { useScaleDoubts } from './useScaleDoubts'

export interface SessionChoices {
  /** Titles of published plans that cannot be read. */
  unreadable: string[]
  sections: { id: string; name: string; groups: { id: string; bench: number; members: string }[] }[]
  revisions: {
    id: string
    number: number
    title: string
    /** Minutes that each of its days takes as usual. */
    days: number[]
    /** Where it goes on from another preparation: grams needed of that product, and grams weighed of it by group. */
    from: { product: string; title: string; needsG: number; weighed: Record<string, number> } | null
  }[]
}

const schema = object({
  revision: string().required('Choose a published preparation.'),
  section: string().required('Choose a section.'),
  days: daysSchema,
  groups: array(
    object({
      group: string().required(),
      takesPart: boolean().required(),
      scale: string()
        .required()
        .test('scale', 'A scale is a number from 0.05 to 20, such as 0.8.', (text) => {
          const read = readNumber(text ?? '')
          return read.ok && read.value.value >= 0.05 && read.value.value <= 20
        }),
    }),
  )
    .required()
    .test('some', 'Choose at least one group.', (groups) => groups?.some(({ takesPart }) => takesPart) ?? false),
})

/** What a session is set like: another one, a week later. */
export interface Like {
  revision: string
  section: string
  days: SessionDay[]
  groups: { group: string; scale: number }[]
}

/** The hours that are proposed: an afternoon. */
const [usualFrom, usualTo] = ['13:30', '17:30']

/** Sets a lab session: preparation, section, time, room, and each group with its own scale. */
export function SessionForm({
  choices,
  revision,
  day,
  room,
  zone,
  like,
}: {
  choices: SessionChoices
  revision: string | undefined
  day: string
  /** The room that is proposed. */
  room: string
  zone: string
  like: Like | undefined
}) {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const [section, setSection] = useState(choices.sections.find(({ id }) => id === like?.section) ?? choices.sections[0])
  const groupsOf = (chosen: typeof section) =>
    (chosen?.groups ?? []).map(({ id }) => {
      const before = like?.groups.find(({ group }) => group === id)
      const others = like !== undefined && chosen?.id === like.section
      return { group: id, takesPart: !others || before !== undefined, scale: String(before?.scale ?? 1) }
    })
  const first = choices.revisions.find(({ id }) => id === (like?.revision ?? revision)) ?? choices.revisions[0]
  const form = useForm({
    resolver: yupResolver(schema),
    defaultValues: {
      revision: first?.id ?? '',
      section: section?.id ?? '',
      days: like?.days ?? chainOf(first?.days.length ?? 1, { date: day, from: usualFrom, to: usualTo, room }),
      groups: groupsOf(section),
    },
  })
  const { errors, isSubmitting } = form.formState
  const chosen = useWatch({ control: form.control, name: 'revision' })
  const from = choices.revisions.find(({ id }) => id === chosen)?.from
  const sectionChosen = useWatch({ control: form.control, name: 'section' })
  const dayFields = useFieldArray({ control: form.control, name: 'days' })
  const days = useWatch({ control: form.control, name: 'days' })
  const said = useSaidBefore({ revision: chosen, section: sectionChosen, days, zone })
  const scales = useWatch({ control: form.control, name: 'groups' })
  const doubtsAt = useScaleDoubts(chosen, scales)
  const scaleFor = (group: string) => {
    const weighed = from?.weighed[group]
    return from && weighed ? writeNumber(Math.min(20, Math.max(0.05, weighed / from.needsG)), 2) : undefined
  }
  const submit = form.handleSubmit(async (values) => {
    setProblem(undefined)
    try {
      const { id } = await call<{ id: string }>('/api/sessions', 'POST', {
        section: values.section,
        revision: values.revision,
        days: values.days.map((each) => wantedDay(each, zone)),
        groups: values.groups.flatMap(({ group, takesPart, scale }) => {
          const read = readNumber(scale)
          return takesPart && read.ok ? [{ group, scale: read.value.value }] : []
        }),
      })
      router.push(`/class/${id}`)
    } catch (error) {
      setProblem((error as Error).message)
    }
  })
  const groupsProblem = errors.groups?.root?.message ?? errors.groups?.message
  const unreadable = choices.unreadable.length > 0 && (
    <p className="problem">Cannot be read, and so cannot be run: {choices.unreadable.join(', ')}. Open it at the Desk.</p>
  )
  if (choices.revisions.length === 0)
    return unreadable || <p>No preparation is published yet. Publish one at the Desk, then set a session with it.</p>
  return (
    <form onSubmit={submit} noValidate className="session-form">
      {unreadable}
      <div className="fields">
        <Form.Group controlId="revision">
          <Form.Label>Preparation</Form.Label>
          <Form.Select
            {...form.register('revision', {
              onChange: (event: { target: { value: string } }) => {
                const wanted = choices.revisions.find(({ id }) => id === event.target.value)?.days.length ?? 1
                const kept = form.getValues('days')
                if (kept.length !== wanted)
                  dayFields.replace([...kept.slice(0, wanted), ...chainOf(wanted, kept[0]!).slice(kept.length)])
              },
            })}
          >
            {choices.revisions.map(({ id, title, number }) => (
              <option key={id} value={id}>
                {title}, revision {number}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="section">
          <Form.Label>Section</Form.Label>
          <Form.Select
            {...form.register('section', {
              onChange: (event: { target: { value: string } }) => {
                const chosen = choices.sections.find(({ id }) => id === event.target.value)
                setSection(chosen)
                form.setValue('groups', groupsOf(chosen))
              },
            })}
          >
            {choices.sections.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      <SessionDays
        form={form}
        ids={dayFields.fields.map(({ id }) => id)}
        usual={choices.revisions.find(({ id }) => id === chosen)?.days ?? []}
        said={said}
        onMore={() => dayFields.append(chainOf(2, form.getValues('days').at(-1)!)[1]!)}
        onFewer={() => dayFields.remove(dayFields.fields.length - 1)}
      />
      <h2 className="section-title">Groups and their scale</h2>
      <table className="ruled groups">
        <thead>
          <tr>
            <th scope="col">takes part</th>
            <th scope="col">bench</th>
            <th scope="col">group</th>
            <th scope="col">scale</th>
            {from && <th scope="col">has weighed</th>}
          </tr>
        </thead>
        <tbody>
          {section?.groups.map((group, index) => (
            <tr key={group.id}>
              <td>
                <Form.Check aria-label={`Bench ${group.bench} takes part`} {...form.register(`groups.${index}.takesPart`)} />
              </td>
              <td className="fig">{group.bench}</td>
              <td>{group.members}</td>
              <td>
                <Form.Control
                  size="sm"
                  aria-label={`Scale of bench ${group.bench}`}
                  inputMode="decimal"
                  {...form.register(`groups.${index}.scale`)}
                  isInvalid={!!errors.groups?.[index]?.scale}
                />
                {errors.groups?.[index]?.scale && <div className="problem">{errors.groups[index].scale.message}</div>}
                {scales[index]?.takesPart &&
                  doubtsAt(scales[index].scale).map(({ id, title, evidence }) => (
                    <div key={id} className="scale-doubt">
                      <State level="doubt">{title}</State> <small>{evidence}</small>
                    </div>
                  ))}
              </td>
              {from && (
                <td className="fig">
                  {from.weighed[group.id] === undefined
                    ? 'nothing yet'
                    : `${writeNumber(from.weighed[group.id]!, 2)} g, scale ${scaleFor(group.id)}`}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      {from && (
        <p>
          This preparation goes on from {from.title}: it needs {writeNumber(from.needsG, 2)} g of {from.product}.{' '}
          <Button
            variant="quiet"
            size="sm"
            disabled={section?.groups.every(({ id }) => from.weighed[id] === undefined) ?? true}
            onClick={() =>
              section?.groups.forEach(({ id }, index) => {
                const scale = scaleFor(id)
                if (scale) form.setValue(`groups.${index}.scale`, scale, { shouldValidate: true })
              })
            }
          >
            Scale each group to what it weighed
          </Button>
        </p>
      )}
      {groupsProblem && <div className="problem">{groupsProblem}</div>}
      {problem && (
        <div className="problem" role="alert">
          {problem}
        </div>
      )}
      <Button type="submit" disabled={isSubmitting}>
        Set this session
      </Button>
    </form>
  )
}
