import { fireEvent, render, screen, within } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { ActsRuler, type RulerAct } from './ActsRuler'
import { LadleCard, SetCard, ShadeCard } from './Cards'
import { ClarityLadder } from './ClarityLadder'
import { Courses } from './Courses'
import { CutRuler } from './CutRuler'
import { liquorColour } from './liquor'
import { Mouths } from './Mouths'
import { OvenTrays } from './OvenTrays'
import { Stream } from './Stream'
import { Wedge } from './Wedge'

const litres = (value: number) => `${value.toFixed(1)} L`
const clock = (minute: number) => {
  const at = 660 + Math.round(minute)
  return `${String(Math.floor(at / 60) % 24).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`
}

describe('mouths', () => {
  const entries = [
    { cause: 'WATER' as const, litres: 20, inward: true },
    { cause: 'EVAPORATED' as const, litres: 4, inward: false },
    { cause: 'UPTAKE' as const, litres: 1, inward: false },
    { cause: 'REDUCED' as const, litres: 0, inward: false },
  ]
  const show = (unexplainedL: number) =>
    render(
      <Mouths
        entries={entries}
        yieldL={15 - unexplainedL}
        unexplainedL={unexplainedL}
        litres={litres}
        colour="gold"
        yieldName="Litres out"
      />,
    )
  const thick = (label: string) => {
    const text = screen.getByText(label)
    return Number(text.parentElement!.querySelector('rect')!.getAttribute('height'))
  }

  it('are as thick as there was of each', () => {
    show(0)
    expect(thick('Water 20.0 L') / thick('Litres out 15.0 L')).toBeCloseTo(20 / 15, 1)
    expect(thick('Steam 4.0 L') / thick('Held by solids 1.0 L')).toBeCloseTo(4, 1)
  })

  it('leave out what did not happen in the drawing, and keep it in the table', () => {
    show(0)
    expect(screen.queryByText(/^Reduced \d/)).toBeNull()
    expect(screen.getByRole('rowheader', { name: 'Reduced', hidden: true })).toBeTruthy()
    expect(screen.queryByText(/^Unexplained \d/)).toBeNull()
  })

  it('show what nobody can explain as a mouth of its own', () => {
    show(0.8)
    expect(screen.getByText('Unexplained 0.8 L')).toBeTruthy()
    expect(screen.getByRole('img').getAttribute('aria-label')).toContain('Unexplained 0.8 L')
  })
})

describe('the wedge', () => {
  const stages = [
    { fromC: 57, toC: 21, startMin: 10, deadlineMin: 130, failed: false },
    { fromC: 57, toC: 5, startMin: 10, deadlineMin: 370, failed: false },
  ]
  const show = (failed = false) =>
    render(
      <Wedge
        readings={[
          { minute: 0, celsius: 85 },
          { minute: 30, celsius: 40 },
        ]}
        plan={[{ minute: 0, stockC: 85 }]}
        stages={stages.map((s) => ({ ...s, failed }))}
        nowMin={35}
        temperature={(c) => `${c} °C`}
        clock={clock}
        label="Cooling"
      />,
    )

  it('names each limit at its height, and the hours of the kitchen below', () => {
    show()
    for (const limit of ['57 °C', '21 °C', '5 °C']) expect(screen.getByText(limit)).toBeTruthy()
    expect(screen.getByText('12:00')).toBeTruthy()
    const y = (text: string) => Number(screen.getByText(text).getAttribute('y'))
    expect(y('57 °C')).toBeLessThan(y('21 °C'))
    expect((y('21 °C') - y('57 °C')) / (y('5 °C') - y('21 °C'))).toBeCloseTo(36 / 16, 3)
  })

  it('turns to the colour of hazard only when a limit failed', () => {
    const { container } = show(false)
    expect(container.innerHTML).not.toContain('--hazard')
    show(true)
    expect(document.body.innerHTML).toContain('--hazard')
  })

  it('does not draw a stage whose clock has not started', () => {
    const { container } = render(
      <Wedge
        readings={[]}
        plan={[]}
        stages={[{ fromC: 57, toC: 21, failed: false }]}
        nowMin={0}
        temperature={(c) => `${c}`}
        clock={clock}
        label="Cooling"
      />,
    )
    expect(container.querySelectorAll('path[fill^="var(--frost)"]').length).toBe(0)
  })
})

describe('the ruler of acts', () => {
  const act = (minute: number, words: string, late = false): RulerAct => ({
    id: words,
    vessel: 'K80',
    words,
    minute,
    late,
    href: `/batches/${words}`,
  })
  const acts = [
    act(-3, 'Skim', true),
    act(10, 'Top up'),
    act(11, 'Taste it'),
    act(50, 'Judge'),
    act(90, 'Strain'),
  ]
  const show = () => {
    const open = vi.fn()
    render(<ActsRuler acts={acts} clock={clock} onOpen={open} />)
    return { open, ruler: screen.getByRole('list', { name: 'Acts of the coming hour' }) }
  }

  it('holds the coming hour and nothing beyond it', () => {
    const { ruler } = show()
    const items = within(ruler).getAllByRole('listitem')
    expect(items.map((i) => i.textContent)).toEqual(['K80 Skim', 'K80 Top up', 'K80 Taste it', 'K80 Judge'])
  })

  it('puts an act where it falls, and two that meet on rows of their own', () => {
    const { ruler } = show()
    const [late, first, second, flipped] = within(ruler).getAllByRole('listitem')
    expect(Number.parseFloat(late!.style.left)).toBeLessThan(Number.parseFloat(first!.style.left))
    expect(first!.style.top).not.toBe(second!.style.top)
    expect(flipped!.style.right).not.toBe('')
    expect(flipped!.style.left).toBe('')
  })

  it('opens what is tapped', () => {
    const { open, ruler } = show()
    fireEvent.click(within(ruler).getByRole('button', { name: 'K80 Top up' }))
    expect(open).toHaveBeenCalledWith('/batches/Top up')
  })

  it('is a plain list in order for a phone, with the time of each', () => {
    show()
    const list = screen.getByRole('list', { name: 'Acts of the coming hour, in order' })
    const words = within(list)
      .getAllByRole('listitem')
      .map((item) => item.textContent)
    expect(words[0]).toBe('nowK80 Skim')
    expect(words[1]).toBe('11:10K80 Top up')
  })
})

describe('the stream', () => {
  const at = (minute: number) => new Date('2026-03-03T10:00:00Z').getTime() + minute * 60_000
  const points = [0, 60, 120].map((minute) => ({ at: at(minute), litres: 20 - minute / 30, celsius: 90 }))
  const show = (band?: { at: number; low: number; high: number }) =>
    render(
      <Stream
        plan={points}
        done={points.slice(0, 2)}
        from={at(0)}
        to={at(180)}
        now={at(60)}
        band={band}
        colour="gold"
        clock={(instant) => new Date(instant).toISOString().slice(11, 16)}
        litres={litres}
        temperature={(c) => `${c} °C`}
        label="Batch 3 as a stream"
      />,
    )

  it('says in words what it draws, and marks the hours', () => {
    show()
    expect(screen.getByRole('img', { name: 'Batch 3 as a stream' })).toBeTruthy()
    expect(screen.getByText('11:00')).toBeTruthy()
  })

  it('is drawn from figures alone: no path holds what is not a number', () => {
    const { container } = show({ at: at(180), low: 10, high: 14 })
    const paths = [...container.querySelectorAll('path')].map((p) => p.getAttribute('d') ?? '')
    expect(paths.length).toBeGreaterThan(2)
    for (const d of paths) expect(d).not.toMatch(/NaN|undefined|Infinity/)
  })
})

describe('the cards', () => {
  it.each([
    ['Shade card', ShadeCard, 8],
    ['Set card', SetCard, 5],
    ['Ladle card', LadleCard, 5],
  ] as const)(
    'the %s has a place for every step, and gives back the one that is chosen',
    (label, Card, steps) => {
      const chosen = vi.fn()
      render(<Card value={2} onValue={chosen} target={steps - 1} />)
      const group = screen.getByRole('radiogroup', { name: label })
      const places = within(group).getAllByRole('radio')
      expect(places.length).toBe(steps)
      expect(places.map((p) => p.getAttribute('aria-checked')).indexOf('true')).toBe(1)
      expect(places[steps - 2]!.textContent).toContain('wanted')
      expect(within(group).getAllByText('wanted').length).toBe(1)
      fireEvent.click(places[steps - 1]!)
      expect(chosen).toHaveBeenCalledWith(steps)
    },
  )

  it('shades darken step by step', () => {
    const { container } = render(<ShadeCard onValue={() => {}} />)
    const light = [...container.querySelectorAll('rect')].map((r) => {
      const hex = r.getAttribute('fill')!.slice(1)
      return [0, 2, 4].reduce((sum, i) => sum + Number.parseInt(hex.slice(i, i + 2), 16), 0)
    })
    for (let i = 1; i < light.length; i++) expect(light[i]).toBeLessThan(light[i - 1]!)
  })
})

describe('smaller drawings', () => {
  it('an oven says its trays and how far it is, and never draws more shelves than it has room for', () => {
    const { container } = render(<OvenTrays trays={12} done={0.42} />)
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('12 trays, 42 % of the roast')
    expect(container.querySelectorAll('g').length).toBe(8)
  })

  it('a clarity ladder tells what is missing, cause by cause, and leaves out crumbs', () => {
    render(
      <ClarityLadder
        index={71.6}
        band={{ p10: 66, p90: 78 }}
        shares={[
          { cause: 'SCUM', points: 20 },
          { cause: 'POURED', points: 8 },
          { cause: 'MUSH', points: 0.4 },
        ]}
      />,
    )
    const words = screen.getByRole('figure').textContent
    expect(words).toContain('Clarity 72 of 100, likely 66–78')
    expect(words).toContain('scum left −20')
    expect(words).not.toContain('cut too small')
  })

  it('a cut ruler moves by the keys and stays on the ruler', () => {
    const cut = vi.fn()
    render(
      <CutRuler
        name="Onion"
        cutMm={2}
        smallestMm={8}
        largestMm={14}
        fits={false}
        length={(mm) => `${mm} mm`}
        words="2 mm"
        onCut={cut}
      />,
    )
    const slider = screen.getByRole('slider', { name: 'Cut of Onion' })
    fireEvent.keyDown(slider, { key: 'PageDown' })
    expect(cut).toHaveBeenLastCalledWith(1)
    fireEvent.keyDown(slider, { key: 'PageUp' })
    expect(cut).toHaveBeenLastCalledWith(7)
    fireEvent.keyDown(slider, { key: 'Tab' })
    expect(cut).toHaveBeenCalledTimes(2)
  })

  it('two courses share their axes', () => {
    render(
      <Courses
        litres={litres}
        courses={[
          {
            name: 'A',
            colour: 'red',
            dashed: false,
            points: [
              { minute: 0, litres: 20 },
              { minute: 240, litres: 15 },
            ],
          },
          {
            name: 'B',
            colour: 'blue',
            dashed: true,
            points: [
              { minute: 0, litres: 10 },
              { minute: 120, litres: 8 },
            ],
          },
        ]}
      />,
    )
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('A: 20.0 L to 15.0 L; B: 10.0 L to 8.0 L')
    const drawn = ['A', 'B'].map((name) =>
      screen.getByText(name).parentElement!.querySelector('path')!.getAttribute('d')!,
    )
    const end = (d: string) => Number(/L([\d.]+),[\d.]+$/.exec(d)![1])
    expect(end(drawn[1]!)).toBeLessThan(end(drawn[0]!))
  })

  it('a liquor deepens with what the bed has given, each family in its own colour', () => {
    expect(liquorColour('BROWN', 0)).toContain('--water')
    expect(liquorColour('BROWN', 14)).toContain('--umber-deep) 100%')
    expect(liquorColour('FISH', 7)).toContain('--pearl')
    expect(liquorColour('VEGETABLE', 0, 0.7)).toContain('--moss-deep')
    const share = (g: number) => Number(/deep\) (\d+)%/.exec(liquorColour('WHITE', g))![1])
    expect(share(6)).toBeLessThan(share(12))
  })
})
