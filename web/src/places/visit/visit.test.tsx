import { fireEvent, screen } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Session } from '../../api/queries'
import { answer, network, problem, visit } from '../../testing/kitchen'
import { FirstRun } from './FirstRun'
import { OwnPassword } from './OwnPassword'
import { SignIn } from './SignIn'

const session = () => answer<Session>('session')
const stranger = (): Session => ({ ...session(), person: undefined })

describe('signing in', () => {
  it('sends what was typed, once both are there', async () => {
    const sent = network({ 'POST /api/session': session() })
    visit(<SignIn session={stranger()} />)
    const button = screen.getByRole('button', { name: 'Sign in' })
    expect(button).toHaveProperty('disabled', true)
    fireEvent.change(screen.getByLabelText('Sign-in name'), { target: { value: 'ilse' } })
    fireEvent.change(screen.getByLabelText('Password'), { target: { value: 'secret words' } })
    fireEvent.click(button)
    await expect.poll(() => sent.length).toBe(1)
    expect(sent[0]!.body).toEqual({ signIn: 'ilse', password: 'secret words' })
  })

  it('says why it was refused and does not tell which of the two was wrong', async () => {
    network({ 'POST /api/session': problem(401, 'No such name and password.') })
    visit(<SignIn session={stranger()} />)
    fireEvent.change(screen.getByLabelText('Sign-in name'), { target: { value: 'ilse' } })
    fireEvent.change(screen.getByLabelText('Password'), { target: { value: 'wrong' } })
    fireEvent.click(screen.getByRole('button', { name: 'Sign in' }))
    expect((await screen.findByRole('alert')).textContent).toBe('No such name and password.')
  })

  it('shows the people of the demo only where there is a demo', () => {
    visit(<SignIn session={stranger()} />)
    for (const who of session().demo) expect(screen.getByText(who.name)).toBeTruthy()
  })

  it('shows nobody elsewhere', () => {
    visit(<SignIn session={{ ...stranger(), demo: [] }} />)
    expect(screen.queryByText('Demo kitchen')).toBeNull()
  })
})

describe('a password that somebody else has set', () => {
  const come = (): Session => ({
    ...session(),
    person: { ...session().person!, signature: 'ONCE', rights: [] },
    passwordSetBy: 'Tomaz Okafor',
  })
  const fill = (label: string, value: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value } })

  it('is for once: says whose it was, and has one’s own chosen', async () => {
    const sent = network({ 'PUT /api/session/password': session() })
    visit(<OwnPassword session={come()} />)
    expect(screen.getByText(/Tomaz Okafor has set the one that you came with/)).toBeTruthy()
    const button = screen.getByRole('button', { name: 'Set it' })
    expect(button).toHaveProperty('disabled', true)
    fill('Your password so far', 'given to me')
    fill('Your new password', 'quiet heron under reeds')
    fireEvent.click(button)
    await expect.poll(() => sent.length).toBe(1)
    expect(sent[0]!.body).toEqual({ soFar: 'given to me', password: 'quiet heron under reeds' })
  })

  it('says beside the fields why one will not do', async () => {
    const easy = problem(422, 'refused', { password: { reason: 'too easy to guess' } })
    network({ 'PUT /api/session/password': easy })
    visit(<OwnPassword session={come()} />)
    fill('Your password so far', 'given to me')
    fill('Your new password', 'password1234')
    fireEvent.click(screen.getByRole('button', { name: 'Set it' }))
    expect((await screen.findByRole('alert')).textContent).toContain('Too easy to guess')
  })
})

describe('the first run', () => {
  const fill = (label: string | RegExp, value: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value } })

  it('makes the kitchen with its first account, and signs it in', async () => {
    const sent = network({ 'POST /api/kitchen': {}, 'POST /api/session': session() })
    visit(<FirstRun />)
    fill('Name of the kitchen', 'Lake House')
    fill('Your name', 'Ada Keller')
    fill('Sign-in name', 'ada')
    fill('Password', 'a long password')
    fireEvent.submit(document.querySelector('form')!)
    await expect.poll(() => sent.length).toBeGreaterThanOrEqual(2)
    expect(sent[0]).toMatchObject({
      path: '/api/kitchen',
      body: { kitchen: 'Lake House', signIn: 'ada', units: 'metric', pot: { diameterCm: 36, heightCm: 40 } },
    })
    expect(sent[1]).toMatchObject({ path: '/api/session', body: { signIn: 'ada' } })
  })

  it('keeps what was typed through a reload, and never the password', () => {
    const { unmount } = visit(<FirstRun />)
    fill('Name of the kitchen', 'Lake House')
    fill('Inside diameter', '44')
    fill('Password', 'a long password')
    unmount()
    visit(<FirstRun />)
    expect((screen.getByLabelText('Name of the kitchen') as HTMLInputElement).value).toBe('Lake House')
    expect((screen.getByLabelText('Inside diameter') as HTMLInputElement).value).toBe('44.0')
    expect((screen.getByLabelText('Password') as HTMLInputElement).value).toBe('')
    expect(JSON.stringify({ ...sessionStorage })).not.toContain('a long password')
  })

  it('says beside the field what will not do', async () => {
    network({
      'POST /api/kitchen': problem(422, 'no', {
        password: { reason: 'at least ten characters', low: 10, high: 200, unit: 'characters' },
      }),
    })
    visit(<FirstRun />)
    fireEvent.submit(document.querySelector('form')!)
    expect((await screen.findByRole('alert')).textContent).toContain('At least ten characters')
  })
})
