import { fireEvent, render, screen } from '@testing-library/react'
import { useMemo } from 'react'
import { describe, expect, it, vi } from 'vitest'
import { Choice } from './Choice'
import { useKeys } from './keys'
import { Empty, Failed, Loading, Note } from './Note'
import { Scrubber } from './Scrubber'
import { SelectField } from './SelectField'
import { Sheet } from './Sheet'
import { SmallNumber } from './SmallNumber'
import { TextField } from './TextField'
import { pick } from '../testing/kitchen'

describe('keys', () => {
  function Page({ run }: { run: () => void }) {
    useKeys(useMemo(() => ({ n: run }), [run]))
    return (
      <>
        <input aria-label="typing" />
        <div role="dialog">
          <button>in a sheet</button>
        </div>
        <button>on the page</button>
      </>
    )
  }

  it('run from the page, and never steal from a field or a sheet', () => {
    const run = vi.fn()
    render(<Page run={run} />)
    fireEvent.keyDown(screen.getByText('on the page'), { key: 'n' })
    expect(run).toHaveBeenCalledTimes(1)
    fireEvent.keyDown(screen.getByLabelText('typing'), { key: 'n' })
    fireEvent.keyDown(screen.getByText('in a sheet'), { key: 'n' })
    fireEvent.keyDown(screen.getByText('on the page'), { key: 'n', ctrlKey: true })
    fireEvent.keyDown(screen.getByText('on the page'), { key: 'x' })
    expect(run).toHaveBeenCalledTimes(1)
  })

  it('are given back when the page goes', () => {
    const run = vi.fn()
    const { unmount } = render(<Page run={run} />)
    unmount()
    fireEvent.keyDown(document.body, { key: 'n' })
    expect(run).not.toHaveBeenCalled()
  })
})

describe('fields', () => {
  it('a choice gives the one that is tapped, and cannot be left without any', () => {
    const chosen = vi.fn()
    render(
      <Choice
        label="Start"
        value="now"
        onValue={chosen}
        options={[
          { value: 'now', name: 'Now' },
          { value: 'late', name: 'Late' },
          { value: 'never', name: 'Never', disabled: true },
        ]}
      />,
    )
    fireEvent.click(screen.getByRole('radio', { name: 'Now' }))
    expect(chosen).not.toHaveBeenCalled()
    fireEvent.click(screen.getByRole('radio', { name: 'Late' }))
    expect(chosen).toHaveBeenCalledWith('late')
    expect(screen.getByRole('radio', { name: 'Never' })).toHaveProperty('disabled', true)
  })

  it('a scrubber says its value in words and moves by its step', () => {
    const moved = vi.fn()
    render(<Scrubber label="Simmer" value={60} min={30} max={90} step={15} words="1 h" onValue={moved} />)
    const thumb = screen.getByRole('slider', { name: 'Simmer' })
    expect(thumb.getAttribute('aria-valuetext')).toBe('1 h')
    fireEvent.keyDown(thumb, { key: 'ArrowRight' })
    expect(moved).toHaveBeenCalledWith(75)
    fireEvent.keyDown(thumb, { key: 'End' })
    expect(moved).toHaveBeenLastCalledWith(90)
  })

  it('a small number takes a comma and a true minus, and says nothing for what is none', () => {
    const value = vi.fn()
    render(<SmallNumber label="Air" value={3} unit="°C" onValue={value} />)
    const field = screen.getByRole('textbox', { name: 'Air' })
    for (const [typed, read] of [
      ['2,5', 2.5],
      ['−5', -5],
      ['.5', 0.5],
      ['abc', undefined],
      ['', undefined],
      ['1e3', undefined],
    ] as const) {
      fireEvent.change(field, { target: { value: typed } })
      expect(value).toHaveBeenLastCalledWith(read)
    }
  })

  it('a small number is read in the units of the kitchen and given on in metric', () => {
    const value = vi.fn()
    render(<SmallNumber label="Cover" value={5.08} dimension="cm" units="us" onValue={value} />)
    const field = screen.getByRole('textbox', { name: 'Cover' })
    expect(field).toHaveProperty('value', '2')
    fireEvent.change(field, { target: { value: '3' } })
    expect(value.mock.lastCall![0]).toBeCloseTo(7.62, 9)
  })

  it('a field points at what is wrong with it', () => {
    render(
      <>
        <TextField
          label="Name"
          value=""
          onValue={() => {}}
          problem={{ reason: 'too short', low: 1, high: 40, unit: 'characters' }}
        />
        <SmallNumber label="Trays" value={0} onValue={() => {}} problem="between 1 and 60" />
      </>,
    )
    for (const name of ['Name', 'Trays']) {
      const field = screen.getByRole('textbox', { name })
      expect(field.getAttribute('aria-invalid')).toBe('true')
      expect(document.getElementById(field.getAttribute('aria-describedby')!)).toBeTruthy()
    }
    expect(screen.getAllByRole('alert')[0]!.textContent).toBe('Too short. Between 1 and 40 characters.')
  })

  it('a list of many gives the value behind the name', async () => {
    const chosen = vi.fn()
    render(
      <SelectField
        label="Stock"
        value="a"
        onValue={chosen}
        options={[
          { value: 'a', name: 'Veal' },
          { value: 'b', name: 'Fish' },
        ]}
      />,
    )
    await pick(screen.getByRole('button', { name: 'Stock: Veal' }), 'Fish')
    expect(chosen).toHaveBeenCalledWith('b')
  })
})

describe('a place on its way', () => {
  it('says what is fetched, and without a connection that it was never seen here', () => {
    const online = vi.spyOn(navigator, 'onLine', 'get').mockReturnValue(true)
    render(<Loading what="the range" />)
    expect(screen.getByRole('status').textContent).toBe('Fetching the range …')
    online.mockReturnValue(false)
    fireEvent(window, new Event('offline'))
    expect(screen.getByRole('heading').textContent).toContain('the range was not seen on this screen')
    online.mockRestore()
    fireEvent(window, new Event('online'))
    expect(screen.queryByRole('heading')).toBeNull()
  })
})

describe('what stands over the work and beside it', () => {
  it('a sheet closes by its button and by Escape, and says what it is', () => {
    const close = vi.fn()
    render(
      <Sheet title="Skim" open onClose={close}>
        <p>half off the heat</p>
      </Sheet>,
    )
    expect(screen.getByRole('dialog', { name: 'Skim' }).textContent).toContain('half off the heat')
    fireEvent.click(screen.getByRole('button', { name: 'Close' }))
    fireEvent.keyDown(document.activeElement ?? document.body, { key: 'Escape' })
    expect(close).toHaveBeenCalledTimes(2)
  })

  it('a failure says what failed, why, and tries again', () => {
    const retry = vi.fn()
    render(<Failed what="The range" error={new Error('No connection just now.')} onRetry={retry} />)
    expect(screen.getByRole('alert').textContent).toContain(
      'The range could not be fetched. No connection just now.',
    )
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }))
    expect(retry).toHaveBeenCalledTimes(1)
  })

  it('red is kept for safety', () => {
    const { container } = render(
      <>
        <Note>mind</Note>
        <Note tone="hazard">danger</Note>
        <Empty title="Nothing">teach</Empty>
      </>,
    )
    expect(container.querySelectorAll('[class*="hazard"]').length).toBe(1)
    expect(screen.getByText('danger').className).toContain('hazard')
  })
})
