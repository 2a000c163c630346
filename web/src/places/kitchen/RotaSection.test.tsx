import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Kitchen } from '../../api/queries'
import { answer, network, problem, visit } from '../../testing/kitchen'
import { RotaSection } from './RotaSection'

const kitchen = () => answer<Kitchen>('kitchen')

describe('hours and hands', () => {
  const show = () => visit(<RotaSection hours={kitchen().hours} unattended={kitchen().unattended} />)

  it('say each shift, its cooks, and that it ends on the next day', () => {
    visit(
      <RotaSection
        hours={[{ days: ['FRIDAY', 'SATURDAY'], from: '17:00', to: '01:30', cooks: 2 }]}
        unattended="NEVER"
      />,
    )
    expect(screen.getByText('Fri, Sat 17:00 to 01:30 the next day')).toBeTruthy()
    expect(screen.getByText('2 cooks')).toBeTruthy()
    expect(screen.getByText('Nothing simmers while nobody is there.')).toBeTruthy()
  })

  it('are changed shift by shift and sent as a whole', async () => {
    const sent = network({ 'PUT /api/kitchen/rota': {} })
    show()
    fireEvent.click(screen.getByRole('button', { name: 'Change the hours' }))
    const sheet = await screen.findByRole('dialog')
    const before = kitchen().hours.length
    fireEvent.click(within(sheet).getByRole('button', { name: 'Another shift' }))
    const days = within(sheet).getByRole('toolbar', { name: `Days of shift ${before + 1}` })
    fireEvent.click(within(days).getByText('Mon'))
    fireEvent.click(within(sheet).getByText('Any simmer'))
    fireEvent.click(within(sheet).getByRole('button', { name: 'Save' }))
    await expect.poll(() => sent.length).toBe(1)
    const body = sent[0]!.body as { hours: Kitchen['hours']; unattended: string }
    expect(body.unattended).toBe('ALLOWED')
    expect(body.hours).toHaveLength(before + 1)
    expect(body.hours[before]!.days).not.toContain('MONDAY')
    expect(body.hours[before]!.days).toHaveLength(6)
  })

  it('name the times at which somebody looks in, and are refused beside them', async () => {
    const checks = { reason: 'nobody looks in from Mon 23:00 to Tue 05:00; at most four hours may pass' }
    const sent = network({ 'PUT /api/kitchen/rota': problem(422, 'refused', { checks }) })
    visit(<RotaSection hours={kitchen().hours} unattended="CHECKS" checks={['01:30']} />)
    expect(screen.getByText(/Somebody looks in at 01:30\./)).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Change the hours' }))
    const field = await screen.findByLabelText('Somebody looks in at')
    const save = screen.getByRole('button', { name: 'Save' })
    fireEvent.change(field, { target: { value: 'midnight' } })
    expect(save).toHaveProperty('disabled', true)
    fireEvent.change(field, { target: { value: '23:00, 02:00' } })
    fireEvent.click(save)
    expect(await screen.findByText(/obody looks in from Mon 23:00/)).toBeTruthy()
    expect(sent[0]!.body).toMatchObject({ checks: ['23:00', '02:00'] })
  })

  it('are not saved with a shift that has no day', async () => {
    network({})
    visit(
      <RotaSection
        hours={[{ days: ['MONDAY'], from: '08:00', to: '20:00', cooks: 1 }]}
        unattended="CHECKS"
      />,
    )
    fireEvent.click(screen.getByRole('button', { name: 'Change the hours' }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.click(within(sheet).getByText('Mon', { selector: 'button' }))
    expect(within(sheet).getByRole('button', { name: 'Save' })).toHaveProperty('disabled', true)
  })
})
