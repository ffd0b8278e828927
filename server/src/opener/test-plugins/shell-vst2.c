/* A VST2 shell, and an effect with the name NAME of the product PRODUCT. The interface is from memory. */
#include <stdint.h>
#include <stdlib.h>
#include <string.h>

typedef struct AEffect AEffect;
typedef intptr_t (*Host)(AEffect *, int32_t, int32_t, intptr_t, void *, float);
struct AEffect {
  int32_t magic;
  intptr_t (*dispatcher)(AEffect *, int32_t, int32_t, intptr_t, void *, float);
  void *process, *set, *get;
  int32_t programs, parameters, inputs, outputs, flags;
  intptr_t reserved[2];
  int32_t delay, real, off;
  float ratio;
  void *object, *user;
  int32_t id, version;
  void *replacing, *doubles;
  char future[56];
};

#ifndef NAME
#define NAME ""
#define PRODUCT "Moored"
#endif
static const int32_t ids[] = {1001, 1002};
static const char *const names[] = {"Moored Gate", "Moored Choir"};

static intptr_t dispatch(AEffect *effect, int32_t opcode, int32_t index, intptr_t value, void *given, float real) {
  static int next = 0;
  switch (opcode) {
    case 8: strcpy(given, index == 0 ? "Depth" : index == 1 ? "Speed" : ""); return 1;
    case 35: return IS_SHELL && effect->id == 77 ? 10 : IS_SHELL ? 1 : 3;
    case 45:
      strcpy(given, IS_SHELL ? (effect->id == 1002 ? names[1] : names[0]) : NAME);
      return 1;
    case 47: strcpy(given, "Quoin"); return 1;
    case 48: strcpy(given, PRODUCT); return 1;
    case 51: return strcmp(given, "receiveVstMidiEvent") == 0 ? (effect->id == 1002 ? 1 : -1) : 0;
    case 70:
      if (next >= 2) return 0;
      strcpy(given, names[next]);
      return ids[next++];
  }
  return 0;
}

AEffect *VSTPluginMain(Host host) {
  if (host(NULL, 1, 0, 0, NULL, 0) < 2) return NULL;
  AEffect *effect = calloc(1, sizeof *effect);
  int32_t wanted = host(effect, 2, 0, 0, NULL, 0);
  effect->magic = 0x56737450;
  effect->dispatcher = dispatch;
  effect->id = IS_SHELL ? (wanted ? wanted : 77) : 4711;
  effect->inputs = effect->id == 1002 ? 0 : 2;
  effect->outputs = 2;
  effect->parameters = 3;
  effect->flags = effect->id == 1002 ? 1 << 8 : 0;
  return effect;
}
