/* Prints what the CLAP files named say of their plugins, a line each, fields between tabs. */
#include "clap-abi.h"
#include <dlfcn.h>
#include <stdio.h>

static const void *nothing(const clap_host_t *host, const char *id) { return NULL; }
static void ignore(const clap_host_t *host) {}
static const char *text(const char *given) { return given ? given : ""; }

static uint32_t channels(const clap_plugin_t *plugin, const clap_plugin_audio_ports_t *ports, bool in) {
  uint32_t sum = 0;
  for (uint32_t i = 0; ports && i < ports->count(plugin, in); i++) {
    clap_audio_port_info_t info = {0};
    if (ports->get(plugin, i, in, &info)) sum += info.channel_count;
  }
  return sum;
}

/* The names of what can be set, between bars. */
static void print_parameters(const clap_plugin_t *plugin) {
  const clap_plugin_params_t *params = plugin->get_extension(plugin, "clap.params");
  for (uint32_t i = 0; params && i < params->count(plugin); i++) {
    clap_param_info_t info = {0};
    if (params->get_info(plugin, i, &info) && !(info.flags & (PARAM_HIDDEN | PARAM_READONLY))) printf("%s|", info.name);
  }
}

int main(int count, char **files) {
  static const clap_host_t host = {{1, 1, 0}, NULL, "ask", "ask", "", "1", nothing, ignore, ignore, ignore};
  for (int at = 1; at < count; at++) {
    void *library = dlopen(files[at], RTLD_LAZY);
    const clap_plugin_entry_t *entry = library ? dlsym(library, "clap_entry") : NULL;
    if (!entry || !entry->init(files[at])) continue;
    const clap_plugin_factory_t *factory = entry->get_factory("clap.plugin-factory");
    for (uint32_t i = 0; factory && i < factory->get_plugin_count(factory); i++) {
      const clap_plugin_descriptor_t *d = factory->get_plugin_descriptor(factory, i);
      const clap_plugin_t *plugin = factory->create_plugin(factory, &host, d->id);
      if (!plugin || !plugin->init(plugin)) continue;
      const clap_plugin_audio_ports_t *audio = plugin->get_extension(plugin, "clap.audio-ports");
      const clap_plugin_note_ports_t *notes = plugin->get_extension(plugin, "clap.note-ports");
      printf("%s\t%s\t%s\t%s\t%s\t%u\t%u\t%d\t%d\t", files[at], d->id, text(d->name), text(d->vendor),
             text(d->version), channels(plugin, audio, true), channels(plugin, audio, false),
             notes && notes->count(plugin, true) > 0, notes && notes->count(plugin, false) > 0);
      print_parameters(plugin);
      printf("\n");
    }
  }
  fflush(stdout);
  _Exit(0);
}
