// Writes down what kinds of events, phases and schools there are, from the contract, for the forms that are made of them.
import { readFileSync, writeFileSync } from 'node:fs'

const contract = JSON.parse(readFileSync('openapi.json', 'utf8'))
const named = (list) =>
  JSON.stringify(Object.fromEntries(contract[list].map(({ name, ...told }) => [name, told])), null, 2)
writeFileSync(
  'src/api/kinds.ts',
  `/** Made from the contract by \`npm run generate\`. */
export const eventKinds = ${named('x-event-kinds')} as const

export const phaseKinds = ${named('x-phase-kinds')} as const
export type PhaseName = keyof typeof phaseKinds

export const schools = ${named('x-schools')} as const
export type SchoolName = keyof typeof schools
`,
)
