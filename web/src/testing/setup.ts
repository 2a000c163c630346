import 'fake-indexeddb/auto'
import { cleanup, configure } from '@testing-library/react'
import { afterEach } from 'vitest'
import { edge } from './edge'

configure({ asyncUtilTimeout: 20_000 })

// jsdom looks at every label of the page, and into it, for the labels of one field, and each query by name asks for those of all fields.
for (const field of [HTMLInputElement, HTMLSelectElement, HTMLTextAreaElement, HTMLButtonElement]) {
  Object.defineProperty(field.prototype, 'labels', {
    get(this: HTMLElement) {
      const around = this.closest('label:not([for])')
      const naming = this.id ? document.querySelectorAll(`label[for=${JSON.stringify(this.id)}]`) : []
      return around ? [around, ...naming] : [...naming]
    },
  })
}

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
