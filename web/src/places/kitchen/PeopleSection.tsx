import { useState, type FormEvent } from 'react'
import { api, data } from '../../api/client'
import { useChange, useMenu, usePeople, type Member } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Heading, Note } from '../../kit/Note'
import { SelectField } from '../../kit/SelectField'
import { useMay, useVisit } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'

type Role = Member['role']

const roles: Record<Role, [name: string, may: string]> = {
  COOK: ['Stock cook', 'plans, acts, judges, hands out, sets the kitchen up'],
  CHEF: ['Chef', 'the same'],
  TRAINEE: ['Trainee', 'logs acts, does not judge'],
  STATION: ['Station', 'asks for litres and sees its own calls'],
  REVIEWER: ['Reviewer', 'reads everything, changes nothing'],
}

/** Who works here: taking somebody in, a new password, somebody leaving. */
export function PeopleSection() {
  const may = useMay()
  const { person } = useVisit()
  const people = usePeople()
  const menu = useMenu()
  const [adding, setAdding] = useState(false)
  const [open, setOpen] = useState<Member>()
  const station = (id?: string) => menu.data?.stations.find((s) => s.id === id)?.name
  return (
    <section className="max-w-[720px]">
      <Heading aside="each act carries its person">People</Heading>
      <ul className="m-0 list-none p-0">
        {(people.data ?? []).map((one) => (
          <li
            key={one.id}
            className="border-rule text-15 flex min-h-[48px] flex-wrap items-center gap-x-4 border-t"
          >
            <span className="w-10 font-semibold">{one.initials}</span>
            <span className="flex-1">
              <b className="font-semibold">{one.name}</b>
              <span className="text-quiet">
                , {station(one.stationId) ?? roles[one.role][0].toLowerCase()}
                {one.id === person.id && ', you'}
              </span>
            </span>
            <span className="text-13 text-quiet">{one.signIn}</span>
            {may('SET_UP') && (
              <Button tone="quiet" aria-label={`Change ${one.name}`} onClick={() => setOpen(one)}>
                Change
              </Button>
            )}
          </li>
        ))}
      </ul>
      {may('SET_UP') && (
        <Button className="mt-3" onClick={() => setAdding(true)}>
          Take somebody in
        </Button>
      )}
      {adding && <NewSheet onClose={() => setAdding(false)} />}
      {open && <MemberSheet one={open} onClose={() => setOpen(undefined)} />}
    </section>
  )
}

function NewSheet({ onClose }: { onClose: () => void }) {
  const menu = useMenu()
  const stations = menu.data?.stations ?? []
  const [who, setWho] = useState({ name: '', signIn: '', password: '', role: 'COOK' as Role, stationId: '' })
  const add = useChange(
    () =>
      data(
        api.POST('/api/kitchen/people', {
          body: {
            ...who,
            stationId: who.role === 'STATION' ? who.stationId || stations[0]?.id : undefined,
          },
        }),
      ),
    'people',
  )
  const submit = (event: FormEvent) => {
    event.preventDefault()
    add.mutate(undefined, { onSuccess: onClose })
  }
  const fields = add.error?.fields ?? {}
  const text = (field: 'name' | 'signIn' | 'password') => ({
    value: who[field],
    onValue: (value: string) => setWho({ ...who, [field]: value }),
    problem: fields[field],
  })
  return (
    <Sheet title="Take somebody in" open onClose={onClose}>
      <form onSubmit={submit} className="grid gap-4">
        <TextField label="Name" {...text('name')} autoFocus />
        <SelectField
          label="Works as"
          value={who.role}
          onValue={(role) => setWho({ ...who, role: role as Role })}
          options={Object.entries(roles).map(([value, [name]]) => ({ value, name }))}
        />
        <p className="text-13 text-quiet m-0 -mt-3">{roles[who.role][1]}</p>
        {who.role === 'STATION' && (
          <SelectField
            label="At the station"
            value={who.stationId || (stations[0]?.id ?? '')}
            onValue={(stationId) => setWho({ ...who, stationId })}
            options={stations.map((s) => ({ value: s.id, name: s.name }))}
          />
        )}
        <TextField label="Sign-in name" {...text('signIn')} autoComplete="off" />
        <TextField
          label="First password"
          type="password"
          {...text('password')}
          autoComplete="new-password"
          hint="At least ten characters; tell it to them in person."
        />
        {add.error && Object.keys(fields).length === 0 && <Note>{add.error.message}</Note>}
        <Button
          type="submit"
          tone="act"
          large
          disabled={add.isPending || !who.name.trim() || !who.signIn.trim() || !who.password}
        >
          Take in
        </Button>
      </form>
    </Sheet>
  )
}

function MemberSheet({ one, onClose }: { one: Member; onClose: () => void }) {
  const { person } = useVisit()
  const [password, setPassword] = useState('')
  const [sure, setSure] = useState(false)
  const path = { params: { path: { id: one.id } } }
  const renew = useChange(
    () => data(api.PUT('/api/kitchen/people/{id}/password', { ...path, body: { password } })),
    'people',
  )
  const leave = useChange(() => data(api.DELETE('/api/kitchen/people/{id}', path)), 'people')
  const submit = (event: FormEvent) => {
    event.preventDefault()
    renew.mutate(undefined, { onSuccess: onClose })
  }
  return (
    <Sheet title={one.name} open onClose={onClose}>
      <form onSubmit={submit} className="grid gap-4">
        <TextField
          label="New password"
          type="password"
          value={password}
          onValue={setPassword}
          problem={renew.error?.fields.password}
          autoComplete="new-password"
          hint="They are signed out everywhere and come in with this one."
        />
        <Button type="submit" disabled={password === '' || renew.isPending}>
          Set it
        </Button>
      </form>
      {one.id !== person.id && (
        <div className="border-rule mt-6 grid gap-3 border-t pt-4">
          {sure ? (
            <>
              <Note>
                {one.name} signs in no more and is signed out at once. What they did keeps their name.
              </Note>
              <Button onClick={() => leave.mutate(undefined, { onSuccess: onClose })}>They have left</Button>
              <Button tone="quiet" onClick={() => setSure(false)}>
                They stay
              </Button>
            </>
          ) : (
            <Button tone="quiet" className="justify-self-start px-0!" onClick={() => setSure(true)}>
              {one.name} has left
            </Button>
          )}
          {leave.error && <Note>{leave.error.message}</Note>}
        </div>
      )}
    </Sheet>
  )
}
