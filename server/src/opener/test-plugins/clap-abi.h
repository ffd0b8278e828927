/* The few structs of CLAP that are needed here, as in the format's published headers, version 1
   (clap/entry.h, factory/plugin-factory.h, plugin.h, host.h, ext/audio-ports.h, ext/note-ports.h,
   ext/params.h). */
#include <stdbool.h>
#include <stdint.h>

typedef struct { uint32_t major, minor, revision; } clap_version_t;
typedef struct {
  clap_version_t clap_version;
  bool (*init)(const char *path);
  void (*deinit)(void);
  const void *(*get_factory)(const char *id);
} clap_plugin_entry_t;
typedef struct {
  clap_version_t clap_version;
  const char *id, *name, *vendor, *url, *manual_url, *support_url, *version, *description;
  const char *const *features;
} clap_plugin_descriptor_t;
typedef struct clap_host {
  clap_version_t clap_version;
  void *host_data;
  const char *name, *vendor, *url, *version;
  const void *(*get_extension)(const struct clap_host *, const char *);
  void (*request_restart)(const struct clap_host *);
  void (*request_process)(const struct clap_host *);
  void (*request_callback)(const struct clap_host *);
} clap_host_t;
typedef struct clap_plugin {
  const clap_plugin_descriptor_t *desc;
  void *plugin_data;
  bool (*init)(const struct clap_plugin *);
  void (*destroy)(const struct clap_plugin *);
  bool (*activate)(const struct clap_plugin *, double, uint32_t, uint32_t);
  void (*deactivate)(const struct clap_plugin *);
  bool (*start_processing)(const struct clap_plugin *);
  void (*stop_processing)(const struct clap_plugin *);
  void (*reset)(const struct clap_plugin *);
  int32_t (*process)(const struct clap_plugin *, const void *);
  const void *(*get_extension)(const struct clap_plugin *, const char *);
  void (*on_main_thread)(const struct clap_plugin *);
} clap_plugin_t;
typedef struct clap_plugin_factory {
  uint32_t (*get_plugin_count)(const struct clap_plugin_factory *);
  const clap_plugin_descriptor_t *(*get_plugin_descriptor)(const struct clap_plugin_factory *, uint32_t);
  const clap_plugin_t *(*create_plugin)(const struct clap_plugin_factory *, const clap_host_t *, const char *);
} clap_plugin_factory_t;
typedef struct {
  uint32_t id;
  char name[256];
  uint32_t flags;
  uint32_t channel_count;
  const char *port_type;
  uint32_t in_place_pair;
} clap_audio_port_info_t;
typedef struct {
  uint32_t (*count)(const clap_plugin_t *, bool is_input);
  bool (*get)(const clap_plugin_t *, uint32_t index, bool is_input, clap_audio_port_info_t *);
} clap_plugin_audio_ports_t;
typedef struct {
  uint32_t (*count)(const clap_plugin_t *, bool is_input);
} clap_plugin_note_ports_t;
typedef struct {
  uint32_t id, flags;
  void *cookie;
  char name[256], module[1024];
  double min_value, max_value, default_value;
} clap_param_info_t;
typedef struct {
  uint32_t (*count)(const clap_plugin_t *);
  bool (*get_info)(const clap_plugin_t *, uint32_t index, clap_param_info_t *);
} clap_plugin_params_t;
/* CLAP_PARAM_IS_HIDDEN, CLAP_PARAM_IS_READONLY */
enum { PARAM_HIDDEN = 1 << 2, PARAM_READONLY = 1 << 3 };
