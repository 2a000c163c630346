import { useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { useChange } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Heading, Note, Refused } from '../../kit/Note'
import { SelectField } from '../../kit/SelectField'
import { Sheet } from '../../kit/Sheet'
import { SmallNumber } from '../../kit/SmallNumber'
import { useMay, useUnits } from '../../kit/session'
import { TextField } from '../../kit/TextField'
import { limitsNote } from '../../words/en'
import { duration } from '../../words/time'
import { Change } from './Change'

type Limits = Schemas['LimitsView']

/** The limits that new plans are judged by; copied from a published profile and made the kitchen's own. */
export function LimitsSection({ limits, shipped }: { limits: Limits; shipped: Limits[] }) {
  const units = useUnits()
  const may = useMay()
  const [open, setOpen] = useState(false)
  const rows: [string, string][] = [
    ...limits.stages.map((s): [string, string] => [
      `${units.celsius(s.fromC, 1)} to ${units.celsius(s.toC, 1)}`,
      `within ${duration(s.withinMin)}`,
    ]),
    ...(limits.beginWithinMin === undefined
      ? []
      : [['Cooling begins within', duration(limits.beginWithinMin)] as [string, string]]),
    ['Hot hold', `${units.celsius(limits.hotHoldC, 1)} or above`],
    ['Cold store', `${units.celsius(limits.coldStoreC, 1)} or below`],
    ['Reheat once to', units.celsius(limits.reheatC, 1)],
    ['Keeps cold', `${limits.coldDays} days at most`],
  ]
  return (
    <section>
      <Heading aside={may('SET_UP') && <Change what="the limits" onClick={() => setOpen(true)} />}>
        Limits: {limits.name}
      </Heading>
      <dl className="text-15 m-0">
        {rows.map(([name, value]) => (
          <div key={name} className="border-rule flex justify-between gap-4 border-b py-2">
            <dt>{name}</dt>
            <dd className="m-0 text-right">{value}</dd>
          </div>
        ))}
      </dl>
      <p className="text-15 text-quiet">
        {limits.source && `${limits.source}. `}
        {limitsNote}
      </p>
      {open && <LimitsSheet limits={limits} shipped={shipped} onClose={() => setOpen(false)} />}
    </section>
  )
}

function LimitsSheet({
  limits,
  shipped,
  onClose,
}: {
  limits: Limits
  shipped: Limits[]
  onClose: () => void
}) {
  const units = useUnits()
  const [draft, setDraft] = useState(limits)
  const save = useChange(() => api.PUT('/api/kitchen/limits', { body: draft }), 'kitchen', 'charge')
  const stage = (i: number, change: Partial<Limits['stages'][number]>) =>
    setDraft({ ...draft, stages: draft.stages.map((s, at) => (at === i ? { ...s, ...change } : s)) })
  const degrees = (label: string, field: 'hotHoldC' | 'coldStoreC' | 'reheatC') => (
    <SmallNumber
      label={label}
      shown
      dimension="celsius"
      units={units.units}
      value={draft[field]}
      onValue={(value) => value !== undefined && setDraft({ ...draft, [field]: value })}
      problem={save.error?.fields[field]?.reason}
    />
  )
  return (
    <Sheet
      title="Limits"
      open
      onClose={onClose}
      describedBy="Verdicts that were given keep the limits they quoted."
    >
      <div className="grid gap-4">
        <SelectField
          label="Begin from"
          value={shipped.some((s) => s.id === draft.id) ? draft.id : ''}
          onValue={(id) => setDraft(shipped.find((s) => s.id === id) ?? draft)}
          options={[
            { value: '', name: 'as they are' },
            ...shipped.map((s) => ({ value: s.id, name: s.name })),
          ]}
        />
        <TextField
          label="Name"
          value={draft.name}
          onValue={(name) => setDraft({ ...draft, name, id: 'own' })}
          problem={save.error?.fields.name}
        />
        <TextField label="Source" value={draft.source} onValue={(source) => setDraft({ ...draft, source })} />
        {draft.stages.map((s, i) => (
          <div key={i} className="flex flex-wrap items-center gap-2">
            <SmallNumber
              label={`Stage ${i + 1} from`}
              dimension="celsius"
              units={units.units}
              value={s.fromC}
              onValue={(fromC) => fromC !== undefined && stage(i, { fromC })}
            />
            to
            <SmallNumber
              label={`Stage ${i + 1} to`}
              dimension="celsius"
              units={units.units}
              value={s.toC}
              onValue={(toC) => toC !== undefined && stage(i, { toC })}
            />
            in
            <SmallNumber
              label={`Stage ${i + 1} within`}
              dimension="minutes"
              value={s.withinMin}
              onValue={(withinMin) => withinMin !== undefined && stage(i, { withinMin })}
            />
          </div>
        ))}
        {save.error?.fields.stages && <Note>{save.error.fields.stages.reason}</Note>}
        <SmallNumber
          label="Cooling begins within"
          shown
          dimension="minutes"
          value={draft.beginWithinMin}
          onValue={(beginWithinMin) => setDraft({ ...draft, beginWithinMin })}
          problem={save.error?.fields.beginWithinMin?.reason}
        />
        {degrees('Hot hold', 'hotHoldC')}
        {degrees('Cold store', 'coldStoreC')}
        {degrees('Reheat to', 'reheatC')}
        <SmallNumber
          label="Keeps cold"
          shown
          unit="days"
          value={draft.coldDays}
          onValue={(coldDays) => coldDays !== undefined && setDraft({ ...draft, coldDays })}
          problem={save.error?.fields.coldDays?.reason}
        />
        <Refused problem={save.error} />
        <Button
          tone="act"
          large
          disabled={save.isPending}
          onClick={() => save.mutate(undefined, { onSuccess: onClose })}
        >
          Save
        </Button>
      </div>
    </Sheet>
  )
}
