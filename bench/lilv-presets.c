/* The presets of all plugins, read by liblilv: the reference reader. One line a preset and plugin, fields split by
   tabs: URI of the plugin, URI of the preset, label, label of the bank, number of ports with a value.
   cc -O2 bench/lilv-presets.c $(pkg-config --cflags --libs lilv-0) -o lilv-presets */
#include <lilv/lilv.h>
#include <stdio.h>

static const char *first(LilvNodes *nodes) {
  return nodes && lilv_nodes_size(nodes) ? lilv_node_as_string(lilv_nodes_get_first(nodes)) : "";
}

int main(void) {
  LilvWorld *world = lilv_world_new();
  lilv_world_load_all(world);
  LilvNode *preset = lilv_new_uri(world, "http://lv2plug.in/ns/ext/presets#Preset");
  LilvNode *inBank = lilv_new_uri(world, "http://lv2plug.in/ns/ext/presets#bank");
  LilvNode *label = lilv_new_uri(world, "http://www.w3.org/2000/01/rdf-schema#label");
  LilvNode *port = lilv_new_uri(world, "http://lv2plug.in/ns/lv2core#port");
  LilvNode *value = lilv_new_uri(world, "http://lv2plug.in/ns/ext/presets#value");
  const LilvPlugins *plugins = lilv_world_get_all_plugins(world);
  LILV_FOREACH (plugins, i, plugins) {
    const LilvPlugin *p = lilv_plugins_get(plugins, i);
    LilvNodes *presets = lilv_plugin_get_related(p, preset);
    LILV_FOREACH (nodes, n, presets) {
      const LilvNode *one = lilv_nodes_get(presets, n);
      lilv_world_load_resource(world, one);
      LilvNodes *labels = lilv_world_find_nodes(world, one, label, NULL);
      LilvNodes *banks = lilv_world_find_nodes(world, one, inBank, NULL);
      LilvNodes *names = NULL;
      if (banks && lilv_nodes_size(banks)) names = lilv_world_find_nodes(world, lilv_nodes_get_first(banks), label, NULL);
      LilvNodes *ports = lilv_world_find_nodes(world, one, port, NULL);
      unsigned values = 0;
      LILV_FOREACH (nodes, k, ports) values += lilv_world_ask(world, lilv_nodes_get(ports, k), value, NULL);
      printf("%s\t%s\t%s\t%s\t%u\n", lilv_node_as_uri(lilv_plugin_get_uri(p)), lilv_node_as_uri(one), first(labels), first(names), values);
      lilv_nodes_free(labels);
      lilv_nodes_free(banks);
      lilv_nodes_free(names);
      lilv_nodes_free(ports);
    }
    lilv_nodes_free(presets);
  }
  lilv_world_free(world);
  return 0;
}
