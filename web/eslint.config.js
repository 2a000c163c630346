import js from '@eslint/js'
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript'
import imports from 'eslint-plugin-import-x'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

// Figures by what their names end with: litres, kilograms, degrees, centimetres, minutes, and what else the trade measures.
const FIGURE =
  '/(litres|kg|celsius|kappa|efficiency|factor|shade|passes|fraction|[a-z](L|Kg|C|Cm|Min|GPerL|Kw|Mm))$/'
const NUMBER = '[type="Literal"][raw=/^(?!1$)[0-9.]*[1-9]/]'
const rule = 'A number of the trade belongs in the core; the server says it.'

// From the ground up: each knows those before it alone. Words know what the contract calls things, and nothing else of it.
const LAYERS = ['offline', 'words', 'api', 'graphics', 'kit', 'places']

// Places stand beside each other; what one takes of another is named here, and goes one way.
const NEIGHBOURS = {
  course: [],
  draws: [],
  slips: [],
  batch: ['course', 'draws'],
  range: ['batch', 'course'],
  coldside: ['batch', 'draws', 'slips'],
  formulas: ['batch', 'draws'],
  kitchen: ['range', 'course'],
  visit: ['kitchen'],
  calls: ['course', 'slips'],
  larder: [],
  trace: [],
}

const zones = [
  ...LAYERS.map((layer, i) => ({
    target: `./src/${layer}`,
    from: LAYERS.slice(i + 1).map((above) => `./src/${above}`),
    ...(layer === 'words' && { from: ['graphics', 'kit', 'places'].map((above) => `./src/${above}`) }),
    message: 'A layer knows those below it alone.',
  })).filter((zone) => zone.from.length > 0),
  ...Object.entries(NEIGHBOURS).map(([place, known]) => ({
    target: `./src/places/${place}`,
    from: './src/places',
    except: [place, ...known].map((other) => `./${other}`),
    message: 'Places do not know each other, but for what NEIGHBOURS names.',
  })),
]

export default tseslint.config(
  { ignores: ['dist', 'src/api/schema.d.ts', 'src/api/kinds.ts'] },
  js.configs.recommended,
  tseslint.configs.recommended,
  reactHooks.configs.flat['recommended-latest'],
  {
    files: ['src/places/**', 'src/kit/**'],
    ignores: ['**/*.test.*'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...['left', 'right'].flatMap((side) => {
          const other = side === 'left' ? 'right' : 'left'
          return [
            {
              selector: `BinaryExpression[operator=/[<>=]/][${side}.property.name=${FIGURE}] > ${NUMBER}.${other}`,
              message: rule,
            },
            {
              selector: `BinaryExpression[operator=/[<>=]/][${side}.name=${FIGURE}] > ${NUMBER}.${other}`,
              message: rule,
            },
          ]
        }),
        { selector: `Property[key.name=${FIGURE}] > ${NUMBER}.value`, message: rule },
        { selector: `AssignmentPattern[left.name=${FIGURE}] > ${NUMBER}.right`, message: rule },
        {
          selector: `LogicalExpression[operator="??"][left.property.name=${FIGURE}] > ${NUMBER}.right`,
          message: rule,
        },
        { selector: `VariableDeclarator[id.name=${FIGURE}] > ${NUMBER}.init`, message: rule },
      ],
    },
  },
  {
    files: ['src/**'],
    ignores: ['**/*.test.*', 'src/testing/**'],
    plugins: { 'import-x': imports },
    settings: { 'import-x/resolver-next': [createTypeScriptImportResolver()] },
    rules: {
      'import-x/no-cycle': ['error', { ignoreExternal: true }],
      'import-x/no-restricted-paths': ['error', { zones }],
    },
  },
  { rules: { '@typescript-eslint/consistent-type-imports': 'error', 'max-lines': ['error', 350] } },
)
