/* The same facts that our LV2 reader gives, read by liblilv: the reference reader. One line a plugin, fields split by tabs:
   URI, name, author, classes (sorted, split by spaces), audio in, audio out, MIDI in, minor.micro (or -).
   cc -O2 bench/lilv-facts.c $(pkg-config --cflags --libs lilv-0) -o lilv-facts */
#include <lilv/lilv.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static int compare(const void *a, const void *b) { return strcmp(*(const char *const *)a, *(const char *const *)b); }

int main(void) {
  LilvWorld *world = lilv_world_new();
  lilv_world_load_all(world);
  LilvNode *audio = lilv_new_uri(world, LILV_URI_AUDIO_PORT), *in = lilv_new_uri(world, LILV_URI_INPUT_PORT), *out = lilv_new_uri(world, LILV_URI_OUTPUT_PORT);
  LilvNode *midi = lilv_new_uri(world, LILV_URI_MIDI_EVENT), *type = lilv_new_uri(world, "http://www.w3.org/1999/02/22-rdf-syntax-ns#type");
  LilvNode *minor = lilv_new_uri(world, "http://lv2plug.in/ns/lv2core#minorVersion"), *micro = lilv_new_uri(world, "http://lv2plug.in/ns/lv2core#microVersion");
  const LilvPlugins *plugins = lilv_world_get_all_plugins(world);
  LILV_FOREACH (plugins, i, plugins) {
    const LilvPlugin *p = lilv_plugins_get(plugins, i);
    LilvNode *name = lilv_plugin_get_name(p), *author = lilv_plugin_get_author_name(p);
    printf("%s\t%s\t%s\t", lilv_node_as_uri(lilv_plugin_get_uri(p)), name ? lilv_node_as_string(name) : "", author ? lilv_node_as_string(author) : "");
    const char *classes[64];
    int count = 0;
    LilvNodes *types = lilv_plugin_get_value(p, type);
    LILV_FOREACH (nodes, t, types) {
      const LilvNode *node = lilv_nodes_get(types, t);
      if (lilv_node_is_uri(node) && count < 64) classes[count++] = lilv_node_as_uri(node);
    }
    qsort(classes, count, sizeof *classes, compare);
    for (int c = 0; c < count; c++) printf("%s%s", c ? " " : "", classes[c]);
    int midiIn = 0;
    for (uint32_t n = 0; n < lilv_plugin_get_num_ports(p); n++) {
      const LilvPort *port = lilv_plugin_get_port_by_index(p, n);
      if (lilv_port_is_a(p, port, in) && lilv_port_supports_event(p, port, midi)) midiIn = 1;
    }
    LilvNodes *minors = lilv_plugin_get_value(p, minor), *micros = lilv_plugin_get_value(p, micro);
    printf("\t%u\t%u\t%d\t", lilv_plugin_get_num_ports_of_class(p, audio, in, NULL), lilv_plugin_get_num_ports_of_class(p, audio, out, NULL), midiIn);
    if (!minors && !micros) printf("-\n");
    else printf("%s.%s\n", minors ? lilv_node_as_string(lilv_nodes_get_first(minors)) : "0", micros ? lilv_node_as_string(lilv_nodes_get_first(micros)) : "0");
    lilv_node_free(name);
    lilv_node_free(author);
    lilv_nodes_free(types);
    lilv_nodes_free(minors);
    lilv_nodes_free(micros);
  }
  lilv_world_free(world);
  return 0;
}
