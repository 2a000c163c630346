import { describe, expect, it } from 'vitest'
import contract from '../../openapi.json'
import { answer } from './kitchen'

interface Schema {
  $ref?: string
  type?: string | string[]
  properties?: Record<string, Schema>
  required?: string[]
  items?: Schema
  enum?: unknown[]
  additionalProperties?: Schema | boolean
  oneOf?: Schema[]
}

const schemas = contract.components.schemas as Record<string, Schema>

/** Where a value does not keep a schema of the contract, in words; empty when it does. */
function breaches(value: unknown, schema: Schema, at: string): string[] {
  if (schema.$ref) return breaches(value, schemas[schema.$ref.split('/').pop()!]!, at)
  if (schema.items && !Array.isArray(value)) return [`${at} is not a list`]
  if (Array.isArray(value)) return value.flatMap((v, i) => breaches(v, schema.items ?? {}, `${at}[${i}]`))
  if (value !== null && typeof value === 'object') {
    const known = schema.properties ?? {}
    const free = schema.additionalProperties
    const missing = (schema.required ?? [])
      .filter((key) => !(key in value))
      .map((key) => `${at}.${key} is missing`)
    return Object.entries(value).reduce((found, [key, v]) => {
      const inner = known[key] ?? (typeof free === 'object' ? free : undefined)
      if (inner) return [...found, ...breaches(v, inner, `${at}.${key}`)]
      return schema.properties && !free ? [...found, `${at}.${key} is not in the contract`] : found
    }, missing)
  }
  if (schema.enum && !schema.enum.includes(value)) return [`${at}: ${String(value)} is not in the contract`]
  const types = [schema.type ?? []].flat()
  const is = typeof value === 'number' ? ['number', 'integer'] : [typeof value]
  return types.length && !types.some((t) => is.includes(t))
    ? [`${at} is ${typeof value}, not ${types.join()}`]
    : []
}

const one = (name: string): Schema => ({ $ref: `#/components/schemas/${name}` })
const list = (name: string): Schema => ({ type: 'array', items: one(name) })

describe('the answers that the pages are tested with', () => {
  it.each([
    ['session', one('SessionView')],
    ['range', one('Range')],
    ['batch-simmer', one('Page')],
    ['course-simmer', one('CourseView')],
    ['judging', list('ChoiceView')],
    ['course', one('KitchenCourse')],
    ['batch-cool', one('Page')],
    ['batch-bring-up', one('Page')],
    ['batch-prepare-fish', one('Page')],
    ['batch-prepare-vegetable', one('Page')],
    ['calls', list('CallView')],
    ['kitchen', one('KitchenView')],
    ['shelf', list('ShelfView')],
    ['larder', one('Larder')],
    ['lots', list('LotView')],
    ['lot', one('LotView')],
    ['boxes', list('BoxView')],
    ['goods', list('GoodsView')],
    ['provisions', list('ProvisionView')],
    ['box', one('BoxPage')],
    ['trace', one('TraceView')],
    ['weighable', list('WantedView')],
    ['stations', list('StationView')],
    ['deliveries', list('DeliveryView')],
    ['batches', list('Summary')],
    ['charge-white', one('ChargeView')],
    ['charge-brown', one('ChargeView')],
    ['charge-tight', one('ChargeView')],
    ['effects', list('EffectView')],
    ['overview', list('OverviewView')],
    ['formula-brown-beef', one('FormulaView')],
  ])('%s is what the server would answer today', (name, schema) => {
    expect(breaches(answer<unknown>(name), schema, name)).toEqual([])
  })

  it('and a breach would be seen', () => {
    const odd = { ...answer<object[]>('boxes')[0], kg: 'much', colour: 'green' }
    const found = breaches([odd], list('BoxView'), 'boxes')
    expect(found.join('; ')).toContain('boxes[0].kg is string')
    expect(found.join('; ')).toContain('colour is not in the contract')
  })
})
