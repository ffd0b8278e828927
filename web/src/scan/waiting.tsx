/** Saved settings whose plugin is not here: they get their place when it arrives. */
import { useQuery } from '@tanstack/react-query';
import { plural } from '@clever-drawer/core';
import { useComputer } from '../studio/contexts.ts';

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
      <summary>
        {plural(data.length, 'saved setting')} {data.length === 1 ? 'waits' : 'wait'} for{' '}
        {data.length === 1 ? 'its plugin' : 'their plugins'}
      </summary>
      <ul className="plain-rows">
        {data.map(({ name, path, format, plugin, pluginName, vendor }) => (
          <li key={`${path} ${name}`} title={path}>
            <span>{name}</span>{' '}
            <span className="text-soft">
              {format} of{' '}
              {pluginName === null
                ? (plugin ?? 'a plugin it does not name')
                : [pluginName, vendor].filter(Boolean).join(', ')}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
