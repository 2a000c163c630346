// Writes down what kinds of events there are, from the contract, for the forms that are made of them.
import { readFileSync, writeFileSync } from 'node:fs'

const contract = JSON.parse(readFileSync('openapi.json', 'utf8'))
const kinds = Object.fromEntries(contract['x-event-kinds'].map(({ name, ...kind }) => [name, kind]))
writeFileSync(
  'src/api/kinds.ts',
  `/** Made from the contract by \`npm run generate\`. */\nexport const eventKinds = ${JSON.stringify(kinds, null, 2)} as const\n`,
)
