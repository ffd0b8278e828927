/** Saved settings whose plugin is not here: they get their place when it arrives. */
import { useQuery } from '@tanstack/react-query';
import { useComputer } from '../studio/contexts.ts';
import * as texts from './texts.ts';

export function Waiting() {
  const { client } = useComputer();
  const { data = [] } = useQuery({
    queryKey: ['waiting', client.computer],
    queryFn: client.waitingSettings,
  });
  if (data.length === 0) {
    return null;
  }
  return (
    <details className="asides">
      <summary>{texts.savedSettingFor(data.length)}</summary>
      <ul className="plain-rows">
        {data.map(({ name, path, format, plugin, pluginName, vendor }) => (
          <li key={`${path} ${name}`} title={path}>
            <span>{name}</span>{' '}
            <span className="text-soft">
              {texts.formatOfWhat(
                format,
                pluginName === null
                  ? (plugin ?? texts.anUnnamedPlugin)
                  : [pluginName, vendor].filter(Boolean).join(', '),
              )}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
