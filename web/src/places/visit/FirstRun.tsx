import { useState, type FormEvent } from 'react'
import { useQueryClient } from '@tanstack/react-query'
import { api } from '../../api/client'
import { useChange } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Choice } from '../../kit/Choice'
import { useTyped } from '../../kit/draft'
import { Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { SelectField } from '../../kit/SelectField'
import { Wordmark } from '../../kit/Shell'
import { TextField } from '../../kit/TextField'
import type { Units } from '../../words/units'
import { Drawing } from '../kitchen/equipment'

const profiles = [
  { value: 'us-food-code', name: 'US model food code' },
  { value: 'au-nz-3-2-2', name: 'Australia and New Zealand' },
  { value: 'ca-retail', name: 'Canada' },
  { value: 'fr-2009', name: 'France' },
  { value: 'uk-cook-chill', name: 'UK cook-chill practice' },
]

/** What is typed; a reload keeps it, all but the password. */
interface Typed {
  units: Units
  kitchen: string
  name: string
  signIn: string
  pot: string
  limits: string
  altitude?: number
  diameter?: number
  height?: number
  kw?: number
}

const FRESH: Typed = {
  units: 'metric',
  kitchen: '',
  name: '',
  signIn: '',
  pot: 'Pot 1',
  limits: 'us-food-code',
  altitude: 0,
  diameter: 36,
  height: 40,
  kw: 9,
}

/** Makes the kitchen, its first account and its first pot. */
export function FirstRun() {
  const client = useQueryClient()
  const [typed, setTyped, forget] = useTyped<Typed>('first kitchen', () => FRESH)
  const [password, setPassword] = useState('')
  const { units, limits, altitude, diameter, height, kw } = typed
  const put =
    <K extends keyof Typed>(name: K) =>
    (value: Typed[K]) =>
      setTyped({ ...typed, [name]: value })
  const make = useChange(async () => {
    await api.POST('/api/kitchen', {
      body: {
        kitchen: typed.kitchen,
        altitudeM: altitude ?? 0,
        timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        units,
        limits,
        name: typed.name,
        signIn: typed.signIn,
        password: password,
        pot: { name: typed.pot, diameterCm: diameter ?? 0, heightCm: height ?? 0 },
        burnerKw: kw ?? 0,
      },
    })
    await api.POST('/api/session', { body: { signIn: typed.signIn, password: password } })
    forget()
    await client.invalidateQueries()
  })
  const problem = make.error
  const field = (
    name: 'kitchen' | 'name' | 'signIn' | 'pot',
    label: string,
    more: object = {},
    key: string = name,
  ) => (
    <TextField
      label={label}
      value={typed[name]}
      onValue={put(name)}
      problem={problem?.fields[key]}
      required
      {...more}
    />
  )
  const submit = (event: FormEvent) => {
    event.preventDefault()
    make.mutate(undefined)
  }
  const shown = [
    'kitchen',
    'name',
    'signIn',
    'password',
    'altitudeM',
    'diameterCm',
    'heightCm',
    'ratedKw',
    'burnerKw',
    'timeZone',
  ]
  return (
    <main className="mx-auto max-w-[760px] px-4 py-10">
      <h1 className="text-36 m-0 mb-2 font-bold">
        <Wordmark />
      </h1>
      <p className="text-18 text-quiet mt-0 mb-8 max-w-[56ch]">
        There is no kitchen here yet. Say where it stands, who you are and which pot you have; the rest can
        follow.
      </p>
      <form onSubmit={submit} className="grid gap-10">
        <section className="ruled grid gap-5 md:grid-cols-2">
          <h2 className="text-18 m-0 font-bold md:col-span-2">The kitchen</h2>
          {field('kitchen', 'Name of the kitchen', { autoFocus: true })}
          <NumberField
            label="Height above the sea"
            dimension="metres"
            units={units}
            value={altitude}
            onValue={put('altitude')}
            step={50}
            problem={problem?.fields.altitudeM}
          />
          <div className="grid content-start gap-1">
            <span className="text-15 font-semibold">Units</span>
            <Choice
              label="Units"
              value={units}
              onValue={put('units')}
              options={[
                { value: 'metric', name: 'L, kg, °C' },
                { value: 'us', name: 'gal, lb, °F' },
              ]}
            />
          </div>
          <SelectField label="Cooling limits" value={limits} onValue={put('limits')} options={profiles} />
          <p className="text-15 text-quiet m-0 md:col-span-2">
            The limits are examples. Your local code and your food-safety plan decide. Clocks run in{' '}
            {Intl.DateTimeFormat().resolvedOptions().timeZone}.
          </p>
        </section>
        <section className="ruled grid gap-5 md:grid-cols-2">
          <h2 className="text-18 m-0 font-bold md:col-span-2">You</h2>
          {field('name', 'Your name')}
          {field('signIn', 'Sign-in name', {
            autoComplete: 'username',
            hint: 'Letters, digits, points, hyphens',
          })}
          <TextField
            label="Password"
            type="password"
            autoComplete="new-password"
            hint="At least 10 characters"
            value={password}
            onValue={setPassword}
            problem={problem?.fields.password}
            required
          />
        </section>
        <section className="ruled grid gap-5 md:grid-cols-2">
          <h2 className="text-18 m-0 font-bold md:col-span-2">The first pot</h2>
          <div className="grid gap-5">
            {field('pot', 'Name of the pot', {}, 'pot.name')}
            <NumberField
              label="Inside diameter"
              dimension="cm"
              units={units}
              value={diameter}
              onValue={put('diameter')}
              step={1}
              problem={problem?.fields.diameterCm}
            />
            <NumberField
              label="Inside height"
              dimension="cm"
              units={units}
              value={height}
              onValue={put('height')}
              step={1}
              problem={problem?.fields.heightCm}
            />
            <NumberField
              label="Its burner"
              dimension="kilowatts"
              units={units}
              value={kw}
              onValue={put('kw')}
              step={0.5}
              problem={problem?.fields.ratedKw ?? problem?.fields.burnerKw}
            />
          </div>
          <Drawing values={{ shape: 'cylinder', diameterCm: diameter, heightCm: height }} units={units} />
        </section>
        {problem && !shown.some((name) => problem.fields[name]) && <Note>{problem.message}</Note>}
        <Button type="submit" tone="act" large disabled={make.isPending}>
          {make.isPending ? 'Making the kitchen …' : 'Make the kitchen'}
        </Button>
      </form>
    </main>
  )
}
