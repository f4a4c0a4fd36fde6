import { Link } from 'react-router'

/** A number that leads to the rows which it counts; nothing is shown for none. */
export const Figure = ({ n, to, label, tone = '' }: { n: number; to: string; label: string; tone?: string }) =>
  n === 0 ? (
    <span className="text-soft">–</span>
  ) : (
    <Link to={to} aria-label={`${n} ${label}`} className={`underline underline-offset-3 ${tone}`}>
      {n}
    </Link>
  )
