/* CLAP plugins that misbehave while they are made, each by the number HOW. */
#define _GNU_SOURCE
#include "clap-abi.h"
#include <pthread.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

enum { WELL, CRASH_AT_CREATE, HANG_AT_CREATE, EXIT_AT_CREATE, SECOND_CRASHES, SECOND_REFUSES, CALLS_HOST, NO_FACTORY, NO_INIT, PARAMS_CRASH, PARAMS_ODD };

static const clap_host_t *host;
static const char *const features[] = {"audio-effect", "delay", "stereo", NULL};
static const clap_plugin_descriptor_t descriptors[] = {
  {{1, 1, 0}, "org.example.one", "Slipway Echo", "Quoin", "", "", "", "1.2.3", "", features},
  {{1, 1, 0}, "org.example.two", "Slipway Room", "Quoin", "", "", "", "1.2.4", "", features}
};
static const bool is_two = HOW == SECOND_CRASHES || HOW == SECOND_REFUSES || HOW == PARAMS_CRASH;

static void *ask(void *given) {
  host->get_extension(host, "clap.log");
  host->request_callback(host);
  return NULL;
}
static uint32_t one(const clap_plugin_t *plugin, bool in) { return 1; }
static uint32_t notes(const clap_plugin_t *plugin, bool in) { return in ? 1 : 0; }
static bool get(const clap_plugin_t *plugin, uint32_t index, bool in, clap_audio_port_info_t *info) {
  memset(info, 0, sizeof *info);
  info->channel_count = in ? 1 : 2;
  return true;
}
static const clap_plugin_audio_ports_t audio_ports = {one, get};
static const clap_plugin_note_ports_t note_ports = {notes};

static uint32_t count_params(const clap_plugin_t *plugin) { return HOW == PARAMS_ODD ? 4000000000u : 5; }
static bool get_param(const clap_plugin_t *plugin, uint32_t index, clap_param_info_t *info) {
  static const char *const names[] = {"Time", "Tap tempo", "Meter", "Time", "Feedback"};
  if (HOW == PARAMS_CRASH) *(volatile int *)8 = 1;
  strcpy(info->name, names[index]);
  info->flags = index == 1 ? PARAM_HIDDEN : index == 2 ? PARAM_READONLY : 0;
  return true;
}
static const clap_plugin_params_t params = {count_params, get_param};

static bool init(const clap_plugin_t *plugin) {
  int second = plugin->desc == &descriptors[1];
  if (HOW == CRASH_AT_CREATE || (HOW == SECOND_CRASHES && second)) *(volatile int *)8 = 1;
  if (HOW == HANG_AT_CREATE) for (;;) sleep(1);
  if (HOW == EXIT_AT_CREATE) exit(0);
  if (HOW == SECOND_REFUSES && second) return false;
  if (HOW == CALLS_HOST) {
    pthread_t thread;
    pthread_create(&thread, NULL, ask, NULL);
    pthread_join(thread, NULL);
  }
  return true;
}
static void destroy(const clap_plugin_t *plugin) { abort(); }
static const void *extension(const clap_plugin_t *plugin, const char *id) {
  if (strcmp(id, "clap.audio-ports") == 0) return &audio_ports;
  if (strcmp(id, "clap.params") == 0) return &params;
  return strcmp(id, "clap.note-ports") == 0 ? &note_ports : NULL;
}
static uint32_t count(const clap_plugin_factory_t *factory) { return is_two ? 2 : 1; }
static const clap_plugin_descriptor_t *describe(const clap_plugin_factory_t *factory, uint32_t index) {
  return &descriptors[index];
}
static const clap_plugin_t *create(const clap_plugin_factory_t *factory, const clap_host_t *given, const char *id) {
  clap_plugin_t *plugin = calloc(1, sizeof *plugin);
  host = given;
  plugin->desc = strcmp(id, descriptors[0].id) == 0 ? &descriptors[0] : &descriptors[1];
  plugin->init = init;
  plugin->destroy = destroy;
  plugin->get_extension = extension;
  return plugin;
}
static const clap_plugin_factory_t factory = {count, describe, create};
static bool start(const char *path) { return HOW != NO_INIT; }
static void stop(void) {}
static const void *get_factory(const char *id) { return HOW == NO_FACTORY ? NULL : &factory; }
const clap_plugin_entry_t clap_entry = {{1, 1, 0}, start, stop, get_factory};
