import 'fake-indexeddb/auto'
import { cleanup, configure } from '@testing-library/react'
import { afterEach } from 'vitest'
import { edge } from './edge'

configure({ asyncUtilTimeout: 10_000 })

// jsdom lays nothing out: what a slider or a dialog asks the browser for is answered with nothing.
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
}
Element.prototype.scrollIntoView ??= () => {}
Element.prototype.hasPointerCapture ??= () => false
Element.prototype.setPointerCapture ??= () => {}

// A page names its server by a path alone; outside a browser somebody has to say where that is.
const Plain = globalThis.Request
globalThis.Request = class extends Plain {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' && input.startsWith('/') ? `http://kitchen.test${input}` : input, init)
  }
}

globalThis.fetch = (input, init) => edge.answer(new Request(input, init))

afterEach(() => {
  cleanup()
  sessionStorage.clear()
})
