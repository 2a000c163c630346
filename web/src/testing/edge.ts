/** Where the network would begin. Set before any page makes its client, filled by each test. */
export const edge: { answer: (request: Request) => Promise<Response> } = {
  answer: () => Promise.reject(new TypeError('no network')),
}
