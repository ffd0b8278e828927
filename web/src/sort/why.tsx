/** Why a question stands as it does, strongest reason first, also those against; and what comes next. */
import type { Question, Reason } from '@clever-drawer/core/identify';
import { groupOf, typeName } from '@clever-drawer/core/taxonomy';
import { Faceplate } from '../ui/faceplate.tsx';
import { useTitle } from './use-title.ts';
import * as texts from './texts.ts';

interface ReasonsProps {
  readonly title: string;
  readonly reasons: readonly Reason[];
  /** Whether the weights were weighed against each other; where they were not, they say nothing. */
  readonly isWeighed?: boolean;
}

export function Reasons({ title, reasons, isWeighed = true }: ReasonsProps) {
  return (
    <>
      <h2>{title}</h2>
      {reasons.length === 0 ? (
        <p className="text-soft">{texts.onlyAGuessItIs}</p>
      ) : (
        <ul className="reasons">
          {reasons.map((reason) => (
            <li key={reason.text}>
              <span>{capital(reason.text)}</span>
              {isWeighed && <Weight weight={reason.weight} />}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

function Weight({ weight }: { weight: number }) {
  const side = weight < 0 ? 'against' : 'for';
  return (
    <span className={side} aria-label={side}>
      {weight < 0 ? '−' : '+'}
      {Math.abs(weight).toFixed(1)}
    </span>
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
      <h2 id="up-next">{texts.upNext}</h2>
      <ul className="up-next" aria-labelledby="up-next">
        {questions.map((question) => (
          <li key={question.id}>
            <Faceplate seed={question.plugin?.id ?? question.id} width={36} />
            <span className="names">
              <span className="name">
                <span className="cut">{titleOf(question).name}</span>
              </span>
              <span className="vendor">{guessOf(question) || titleOf(question).beside}</span>
            </span>
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
  const [best] = question.suggestions;
  if (!best || best.probability <= 0.25) {
    return texts.noIdea;
  }
  const rival = question.suggestions.find(
    ({ type, probability }) =>
      groupOf(type) !== groupOf(best.type) && probability > 0.8 * best.probability,
  );
  const or = rival ? texts.typeOr(typeName(rival.type)) : '';
  return `${typeName(best.type)}${or}?`;
}
