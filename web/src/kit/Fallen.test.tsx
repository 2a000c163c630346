import { fireEvent, render, screen } from '@testing-library/react'
import { expect, it, vi } from 'vitest'
import { StaysUp } from './Fallen'

/** Falls over until it is mended. */
function Weak({ mended }: { mended: () => boolean }) {
  if (!mended()) throw new RangeError('Invalid Date')
  return <p>the pots</p>
}

it('says that a page has a fault, keeps the rest, and goes on elsewhere or once it is mended', () => {
  vi.spyOn(console, 'error').mockImplementation(() => undefined)
  let whole = false
  const page = (at: string) => (
    <>
      <nav>the bar</nav>
      <StaysUp at={at}>{at === '/range' ? <Weak mended={() => whole} /> : <p>the calls</p>}</StaysUp>
    </>
  )
  const { rerender } = render(page('/range'))
  expect(screen.getByRole('alert').textContent).toContain('cannot be shown')
  expect(screen.getByText('the bar')).toBeTruthy()
  rerender(page('/calls'))
  expect(screen.getByText('the calls')).toBeTruthy()
  rerender(page('/range'))
  expect(screen.getByRole('alert')).toBeTruthy()
  whole = true
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }))
  expect(screen.getByText('the pots')).toBeTruthy()
})
