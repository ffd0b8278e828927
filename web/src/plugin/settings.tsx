/** The saved settings that scans found for a plugin, by bank. */
import { grouped, plural, type PluginView, type SettingView } from '@clever-drawer/core';
import { useState } from 'react';

/** Settings of a bank shown before somebody asks for all. */
const shownFirst = 12;

export function Settings({ view }: { readonly view: PluginView | undefined }) {
  const settings = view?.settings ?? [];
  if (settings.length === 0) {
    return null;
  }
  const banks = [...grouped(settings.map((setting) => [setting.bank ?? '', setting]))];
  return (
    <section aria-labelledby="settings-title">
      <h2 id="settings-title">{plural(settings.length, 'setting')}</h2>
      {banks.map(([bank, held]) => (
        <Bank key={bank} bank={bank} settings={held} />
      ))}
    </section>
  );
}

interface BankProps {
  /** Empty for settings in no bank. */
  readonly bank: string;
  readonly settings: readonly SettingView[];
}

function Bank({ bank, settings }: BankProps) {
  const [isWhole, setWhole] = useState(false);
  const shown = isWhole ? settings : settings.slice(0, shownFirst);
  const rest = settings.length - shown.length;
  return (
    <>
      {bank !== '' && <h3 className="bank-name">{bank}</h3>}
      <ul className="plain-rows settings-rows">
        {shown.map(({ name, format, path, comment }) => (
          <li key={`${path} ${name}`} title={path}>
            <span>{name}</span> <span className="text-soft">{comment ?? format}</span>
          </li>
        ))}
      </ul>
      {rest > 0 && (
        <button
          type="button"
          className="link-words"
          onClick={() => {
            setWhole(true);
          }}
        >
          {rest} more
        </button>
      )}
    </>
  );
}
