// Asks a demo kitchen for the answers that the pages are tested with: node fixtures.js http://127.0.0.1:8649
import { writeFileSync } from 'node:fs'

const [, , kitchen] = process.argv
const jar = new Map()

async function ask(path, body, method = body ? 'POST' : 'GET') {
  const answer = await fetch(kitchen + path, {
    method,
    headers: {
      Cookie: [...jar].map(([name, value]) => `${name}=${value}`).join('; '),
      'X-XSRF-TOKEN': jar.get('XSRF-TOKEN') ?? '',
      ...(body && { 'Content-Type': 'application/json' }),
    },
    body: body && JSON.stringify(body),
  })
  for (const cookie of answer.headers.getSetCookie()) {
    const [name, value] = cookie.split(';')[0].split('=')
    jar.set(name, value)
  }
  if (!answer.ok) throw new Error(`${path} answered ${answer.status}: ${await answer.text()}`)
  return answer.json()
}

function keep(name, answer) {
  writeFileSync(`src/testing/answers/${name}.json`, JSON.stringify(answer, null, 2) + '\n')
}

await ask('/api/session')
await ask('/api/session', { signIn: 'ilse', password: 'kestrel-ilse' })

const plain = {
  session: '/api/session',
  range: '/api/range',
  batches: '/api/batches',
  calls: '/api/calls',
  course: '/api/course?days=3',
  menu: '/api/calls/menu',
  kitchen: '/api/kitchen',
  stations: '/api/kitchen/stations',
  hob: '/api/kitchen/hob',
  lots: '/api/lots',
  deliveries: '/api/deliveries',
  shelf: '/api/formulas',
  larder: '/api/formulas/larder',
  'formula-brown-beef': '/api/formulas/brown-beef',
  boxes: '/api/larder',
  goods: '/api/larder/goods',
  provisions: '/api/course/provisions?days=3',
  sources: '/api/sources',
}
const answers = {}
for (const [name, path] of Object.entries(plain)) {
  answers[name] = await ask(path)
  keep(name, answers[name])
}
keep('lot', await ask(`/api/lots/${answers.lots[0].id}`))

const batch = (stage, words = '') =>
  answers.batches.find((one) => one.stage === stage && one.formulaName.includes(words)).id
const pages = {
  'batch-simmer': batch('SIMMER', 'Brown'),
  'batch-bring-up': batch('BRING_UP'),
  'batch-cool': batch('COOL'),
  'batch-prepare-fish': batch('PREPARE', 'Fish'),
  'batch-prepare-vegetable': batch('PREPARE', 'vegetable'),
}
for (const [name, id] of Object.entries(pages)) keep(name, await ask(`/api/batches/${id}`))
keep('trace', await ask(`/api/trace?what=${answers.lots[0].code}`))
keep('box', await ask(`/api/larder/boxes/${answers.boxes[0].id}`))
keep('weighable', await ask(`/api/batches/${pages['batch-prepare-fish']}/larder`))
keep('course-simmer', await ask(`/api/batches/${pages['batch-simmer']}/course`))
keep('judging', await ask(`/api/batches/${pages['batch-simmer']}/judging`))

const vessel = (name) => answers.kitchen.vessels.find((one) => one.name === name).id
// So long that somebody is told that stock comes later.
const until = new Date(Date.parse(answers.course.until) + 86_400_000).toISOString()
keep(
  'ways-out',
  await ask('/api/course/ways-out?days=3', {
    kind: 'OUTAGE',
    outage: { kind: 'VESSEL', thingId: vessel('K80'), until },
  }),
)
const readyBy = '2026-11-25T20:30:00Z'
const litres = (formula, into) => ({ formula, goal: 'LITRES', value: 20, vesselId: vessel(into), readyBy })
keep('charge-white', await ask('/api/charges', litres('white-chicken', 'K80')))
keep('charge-brown', await ask('/api/charges', litres('brown-beef', 'K80')))
keep('charge-tight', await ask('/api/charges', litres('white-chicken', 'Pot 12')))
const { sourceId } = answers.sources[0].stock
keep(
  'charge-half',
  await ask('/api/charges', {
    ...litres('half-reduction', 'Pot 12'),
    goal: 'WATER',
    value: 4,
    draws: [{ sourceId, litres: 4 }],
  }),
)
keep('effects', await ask('/api/charges/effects', litres('brown-beef', 'K80')))
keep('overview', await ask('/api/charges/overview', { formula: 'brown-beef', goal: 'LITRES', value: 14 }))
console.log('The answers are as the demo kitchen gives them today.')
