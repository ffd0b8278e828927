/** Why a plugin is taken for what it is, or what it was taken for before the user said otherwise. */
import type { PluginView } from '@clever-drawer/core/api';
import { kindWords, type Plugin, whichIsUnknown } from '@clever-drawer/core/catalog';
import type { PluginEvidence, Reason, Suggestion } from '@clever-drawer/core/identify';
import { typeName } from '@clever-drawer/core/taxonomy';
import { useCatalog } from '../studio/contexts.ts';
import * as texts from './texts.ts';

export function Why({ plugin, view }: { plugin: Plugin; view: PluginView | undefined }) {
  const { answers } = useCatalog();
  const grounds = view?.grounds;
  const said = answers.get(plugin.id);
  if (!grounds) {
    // Chains and kept settings are what somebody made of them; nothing speaks for that.
    const isWaiting = view !== undefined && plugin.copies.length > 0;
    return isWaiting ? <p className="text-soft">{texts.saidAfterTheScan}</p> : null;
  }
  return (
    <section aria-labelledby="why">
      <h2 id="why">{texts.why}</h2>
      {said?.types != null && <p className="text-soft">{texts.youSetThisOurOwn}</p>}
      <ul className="grounds">
        {grounds.suggestions.slice(0, 3).map((suggestion) => (
          <WhyRow key={suggestion.type} suggestion={suggestion} />
        ))}
        {grounds.suggestions.length === 0 && (
          <li className="text-soft">{whichIsUnknown(plugin.kind)}</li>
        )}
        {grounds.kindReasons.length > 0 && <WhyKind grounds={grounds} />}
        {grounds.sameBecause.length > 0 && (
          <li>
            <p>
              <strong>{texts.onePlugin}</strong>
            </p>
            <Lines reasons={grounds.sameBecause.map((text) => ({ text, weight: 1 }))} />
          </li>
        )}
      </ul>
    </section>
  );
}

function WhyKind({ grounds }: { readonly grounds: PluginEvidence }) {
  return (
    <li>
      <p>
        <strong>{capital(kindWords[grounds.kinds[0]?.kind ?? 'unknown'].one)}</strong> ·{' '}
        {Math.round((grounds.kinds[0]?.probability ?? 0) * 100)} %
      </p>
      <Lines
        reasons={grounds.kindReasons.map((reason) => ({
          text: reason.text,
          weight: reason.kind === grounds.kinds[0]?.kind ? reason.weight : -reason.weight,
        }))}
      />
    </li>
  );
}

function WhyRow({ suggestion }: { readonly suggestion: Suggestion }) {
  return (
    <li>
      <p>
        <strong>{typeName(suggestion.type)}</strong> · {Math.round(suggestion.probability * 100)} %
      </p>
      <Lines reasons={suggestion.reasons} />
    </li>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const Lines = ({ reasons }: { reasons: readonly Reason[] }) => (
  <ul className="lines">
    {reasons.map((reason) => (
      <li key={reason.text} className={reason.weight < 0 ? 'against' : ''}>
        {reason.weight < 0 && texts.against}
        {reason.text}
      </li>
    ))}
  </ul>
);
