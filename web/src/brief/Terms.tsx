import { inPoints, MET, PLACE_FACTS, type Likeness, type Term } from '@outfit/core/brief'

/** A term's mark: shape and colour say the same. */
function Mark({ score, must }: { score: number; must: boolean }) {
  const [sign, look, words] =
    score >= 0.85
      ? ['●', 'text-good', 'shown']
      : score >= MET
        ? ['◐', 'text-good', 'nearly shown']
        : must
          ? ['✕', 'font-bold text-problem', 'a must that is missed']
          : ['○', 'text-notice', 'missed']
  return (
    <span role="img" aria-label={words} className={`inline-block w-4 text-center ${look}`}>
      {sign}
    </span>
  )
}

/** Why an outfit is as like its brief as it is: what each wish earns, and what its parts hold against each other. */
export function Terms({ likeness }: { likeness: Likeness }) {
  const order = (a: Term, b: Term) => b.most - b.milli - (a.most - a.milli)
  return (
    <ul aria-label="Terms of the likeness" className="text-[13.5px] leading-snug">
      {likeness.deductions.map(({ words, milli }, i) => (
        <li key={`d${i}`} className="flex items-baseline gap-1.5 border-b border-rule py-0.5">
          <span role="img" aria-label="taken off" className="inline-block w-4 text-center font-bold text-problem">
            −
          </span>
          <span className="min-w-0 flex-1">{words}</span>
          <span className="shrink-0 text-problem tabular-nums">−{milli / 1000}</span>
        </li>
      ))}
      {[...likeness.terms].sort(order).map((term, i) => (
        <li key={i} className="flex items-baseline gap-1.5 border-t border-rule py-0.5 first:border-0">
          <Mark score={term.score} must={term.wish.weight === 'must'} />
          <span className="min-w-0 flex-1">
            <span className="text-soft">{PLACE_FACTS[term.wish.place].label}:</span> {term.words}
          </span>
          <span className="shrink-0 text-soft tabular-nums">
            {inPoints(term.milli)} of {inPoints(term.most)}
          </span>
        </li>
      ))}
    </ul>
  )
}
