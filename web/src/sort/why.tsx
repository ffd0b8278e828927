/** Why a question stands as it does, strongest reason first, also those against; and what comes next. */
import { typeName, type Question, type Reason } from '@clever-drawer/core';
import { Faceplate } from '../ui/faceplate.tsx';
import { useTitle } from './use-title.ts';

export function Reasons({ title, reasons }: { title: string; reasons: readonly Reason[] }) {
  return (
    <>
      <h2>{title}</h2>
      {reasons.length === 0 ? (
        <p className="text-soft">Nothing speaks for it but how common it is.</p>
      ) : (
        <ul className="reasons">
          {reasons.map((reason) => (
            <li key={reason.text}>
              <span>{capital(reason.text)}</span>
              <span
                className={reason.weight < 0 ? 'against' : 'for'}
                aria-label={reason.weight < 0 ? 'against' : 'for'}
              >
                {reason.weight < 0 ? '−' : '+'}
                {Math.abs(reason.weight).toFixed(1)}
              </span>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

export function UpNext({ questions }: { questions: readonly Question[] }) {
  const titleOf = useTitle();
  if (questions.length === 0) {
    return null;
  }
  return (
    <>
      <h2>Up next</h2>
      <ul className="up-next">
        {questions.map((question) => (
          <li key={question.id}>
            <Faceplate seed={question.plugin?.id ?? question.id} width={36} />
            <span className="names">
              <span className="name">{titleOf(question).name}</span>
              <span className="vendor">{titleOf(question).beside}</span>
            </span>
            <span className="text-soft">{guessOf(question)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

function guessOf(question: Question): string {
  if (question.variant === 'vendor') {
    return question.guesses[0] ? `${question.guesses[0].vendor}?` : '';
  }
  if (question.variant !== 'type') {
    return '';
  }
  const best = question.suggestions[0];
  return best && best.probability > 0.25 ? `${typeName(best.type)}?` : 'no idea';
}
