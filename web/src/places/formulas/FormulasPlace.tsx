import { Link } from 'react-router'
import { useMenu } from '../../api/queries'
import { Failed, Loading } from '../../kit/Note'
import { liquorColour } from '../../graphics/liquor'
import { allergenName } from '../../words/en'

const families: Record<string, string> = {
  BROWN: 'Brown',
  WHITE: 'White',
  FISH: 'Fish',
  SHELLFISH: 'Shellfish',
  VEGETABLE: 'Vegetable',
}

/** The kitchen's formulas; each opens as a pot that can be filled. */
export default function FormulasPlace() {
  const menu = useMenu()
  if (menu.isPending) return <Loading what="the formulas" />
  if (!menu.data) return <Failed what="The formulas" error={menu.error} onRetry={() => void menu.refetch()} />
  return (
    <>
      <h1 className="text-24 mt-0 mb-1 font-bold">Formulas</h1>
      <p className="text-18 text-quiet mt-0 mb-5 max-w-[64ch]">
        Open one as a pot in section: give litres, bones or a vessel, drag the water line, and everything else
        follows.
      </p>
      <ul className="m-0 list-none p-0">
        {menu.data.formulas.map((formula) => (
          <li key={formula.slug} className="border-rule border-t last:border-b">
            <Link
              to={`/formulas/${formula.slug}`}
              className="text-ink flex min-h-[72px] items-center gap-5 no-underline"
            >
              <svg width="40" height="40" viewBox="0 0 32 32" aria-hidden>
                <path d="M5 14h22v9a4 4 0 0 1-4 4H9a4 4 0 0 1-4-4z" fill={liquorColour(formula.family, 12)} />
                <path
                  d="M4 6v18a4 4 0 0 0 4 4h16a4 4 0 0 0 4-4V6"
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth="2.5"
                  strokeLinecap="round"
                />
              </svg>
              <span className="text-18 flex-1 font-semibold">{formula.name}</span>
              <span className="text-15 text-quiet">
                {families[formula.family] ?? formula.family}
                {formula.allergens.length > 0 &&
                  `, contains ${formula.allergens.map(allergenName).join(', ')}`}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  )
}
