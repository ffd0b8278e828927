/** What a plugin is called, by its id. */
import { useArrangement, useCatalog } from '../studio/contexts.ts';

/** Empty for what is not in the catalog. */
export function useNameOf(): (id: string) => string {
  const { pluginById } = useCatalog();
  const { nameOf } = useArrangement();
  return (id) => {
    const plugin = pluginById.get(id);
    return plugin ? nameOf(plugin) : '';
  };
}
