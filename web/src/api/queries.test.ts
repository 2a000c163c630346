import { describe, expect, it } from 'vitest'
import { madeStale } from './queries'

describe('a change that is told', () => {
  it('makes stale the very batch that it is about, and what shows many', () => {
    const stale = madeStale({ topic: 'batches', ref: 'b1' })
    expect(stale).toContainEqual(['batch', 'b1'])
    expect(stale).toContainEqual(['course', 'b1'])
    expect(stale).toContainEqual(['range'])
    expect(stale).not.toContainEqual(['batch'])
  })

  it('makes everything of its kind stale where it names nothing', () => {
    expect(madeStale({ topic: 'batches', ref: '' })).toContainEqual(['batch'])
    expect(madeStale({ topic: 'clock', ref: 'b1' })).toContainEqual(['batch'])
  })

  it('of a topic that nobody knows makes nothing stale', () => {
    expect(madeStale({ topic: 'weather', ref: '1' })).toEqual([])
  })
})
