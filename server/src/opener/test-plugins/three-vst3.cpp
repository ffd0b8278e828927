// A VST3 module on the published headers (Debian: juce-modules-source-data): two audio classes, one
// of which cannot be made, and a controller. NEWEST says which factory it offers: 1, 2 or 3; HEADERS
// is the headers' own namespace.
#define INIT_CLASS_IID
#include "pluginterfaces/base/ipluginbase.h"
#include "pluginterfaces/vst/ivstaudioprocessor.h"
#include "pluginterfaces/vst/ivstcomponent.h"
#include "pluginterfaces/vst/ivsteditcontroller.h"
#include "pluginterfaces/vst/ivsthostapplication.h"
#include <cstdlib>
#include <cstring>

using namespace HEADERS;
using namespace HEADERS::Vst;

static const TUID echoId = INLINE_UID(0x01234567, 0x89ABCDEF, 0x10203040, 0x50607080);
static const TUID brokenId = INLINE_UID(0xAABBCCDD, 0x11223344, 0x55667788, 0x99AABBCC);
static const TUID controlId = INLINE_UID(0x1, 0x2, 0x3, 0x4);

static bool same(const TUID a, const TUID b) { return memcmp(a, b, sizeof(TUID)) == 0; }
static void wide(char16 *to, const char *from) {
  while ((*to++ = static_cast<unsigned char>(*from++)) != 0) {}
}

struct Echo : IComponent {
  tresult PLUGIN_API queryInterface(const TUID iid, void **to) override {
    bool known = same(iid, IComponent_iid) || same(iid, IPluginBase_iid) || same(iid, FUnknown_iid);
    *to = known ? this : nullptr;
    return known ? kResultOk : kNoInterface;
  }
  uint32 PLUGIN_API addRef() override { return 1; }
  uint32 PLUGIN_API release() override { abort(); }
  tresult PLUGIN_API initialize(FUnknown *context) override {
    IHostApplication *host = nullptr;
    String128 name = {0};
    if (context->queryInterface(IHostApplication_iid, reinterpret_cast<void **>(&host)) != kResultOk) return kResultFalse;
    return host->getName(name) == kResultOk && name[0] == 'C' ? kResultOk : kResultFalse;
  }
  tresult PLUGIN_API terminate() override { abort(); }
  tresult PLUGIN_API getControllerClassId(TUID id) override { memcpy(id, controlId, sizeof(TUID)); return kResultOk; }
  tresult PLUGIN_API setIoMode(IoMode) override { return kResultOk; }
  int32 PLUGIN_API getBusCount(MediaType type, BusDirection way) override {
    if (type == kEvent) return way == kInput ? 1 : 0;
    return way == kInput ? 2 : 1;
  }
  tresult PLUGIN_API getBusInfo(MediaType type, BusDirection way, int32 index, BusInfo &bus) override {
    bus.mediaType = type;
    bus.direction = way;
    bus.channelCount = way == kInput ? (index == 0 ? 2 : 1) : 6;
    return kResultOk;
  }
  tresult PLUGIN_API getRoutingInfo(RoutingInfo &, RoutingInfo &) override { return kNotImplemented; }
  tresult PLUGIN_API activateBus(MediaType, BusDirection, int32, TBool) override { return kResultOk; }
  tresult PLUGIN_API setActive(TBool) override { return kResultOk; }
  tresult PLUGIN_API setState(IBStream *) override { return kResultOk; }
  tresult PLUGIN_API getState(IBStream *) override { return kResultOk; }
};

struct Control : IEditController {
  tresult PLUGIN_API queryInterface(const TUID, void **to) override { *to = nullptr; return kNoInterface; }
  uint32 PLUGIN_API addRef() override { return 1; }
  uint32 PLUGIN_API release() override { abort(); }
  bool isUp = false;
  tresult PLUGIN_API initialize(FUnknown *context) override { isUp = context != nullptr; return kResultOk; }
  tresult PLUGIN_API terminate() override { abort(); }
  tresult PLUGIN_API setComponentState(IBStream *) override { return kResultOk; }
  tresult PLUGIN_API setState(IBStream *) override { return kResultOk; }
  tresult PLUGIN_API getState(IBStream *) override { return kResultOk; }
  int32 PLUGIN_API getParameterCount() override { return isUp ? 5 : 0; }
  tresult PLUGIN_API getParameterInfo(int32 index, ParameterInfo &info) override {
    static const char *const titles[] = {"Time", "F\xe9" "edback", "Meter", "Secret", "Program"};
    static const int32 flags[] = {
      ParameterInfo::kCanAutomate, ParameterInfo::kIsList, ParameterInfo::kIsReadOnly, ParameterInfo::kIsHidden,
      ParameterInfo::kIsProgramChange
    };
    memset(&info, 0, sizeof info);
    info.id = 1000 + index;
    wide(info.title, titles[index]);
    wide(info.shortTitle, "short");
    info.flags = flags[index];
    return kResultOk;
  }
  tresult PLUGIN_API getParamStringByValue(ParamID, ParamValue, String128) override { return kNotImplemented; }
  tresult PLUGIN_API getParamValueByString(ParamID, TChar *, ParamValue &) override { return kNotImplemented; }
  ParamValue PLUGIN_API normalizedParamToPlain(ParamID, ParamValue value) override { return value; }
  ParamValue PLUGIN_API plainParamToNormalized(ParamID, ParamValue value) override { return value; }
  ParamValue PLUGIN_API getParamNormalized(ParamID) override { return 0; }
  tresult PLUGIN_API setParamNormalized(ParamID, ParamValue) override { return kResultOk; }
  tresult PLUGIN_API setComponentHandler(IComponentHandler *) override { return kResultOk; }
  IPlugView *PLUGIN_API createView(FIDString) override { return nullptr; }
};

struct Factory : IPluginFactory3 {
  tresult PLUGIN_API queryInterface(const TUID iid, void **to) override {
    bool known = same(iid, IPluginFactory_iid) || same(iid, FUnknown_iid) ||
                 (NEWEST >= 2 && same(iid, IPluginFactory2_iid)) || (NEWEST >= 3 && same(iid, IPluginFactory3_iid));
    *to = known ? this : nullptr;
    return known ? kResultOk : kNoInterface;
  }
  uint32 PLUGIN_API addRef() override { return 1; }
  uint32 PLUGIN_API release() override { return 1; }
  tresult PLUGIN_API getFactoryInfo(PFactoryInfo *info) override {
    *info = PFactoryInfo("Quoin Works", "", "", 0);
    return kResultOk;
  }
  int32 PLUGIN_API countClasses() override { return 3; }
  static const TUID &idOf(int32 index) { return index == 0 ? controlId : index == 1 ? echoId : brokenId; }
  static const char *categoryOf(int32 index) { return index == 0 ? "Component Controller Class" : "Audio Module Class"; }
  static const char *nameOf(int32 index) { return index == 1 ? "Ebb Echo" : "Ebb Broken"; }
  tresult PLUGIN_API getClassInfo(int32 index, PClassInfo *info) override {
    *info = PClassInfo(idOf(index), PClassInfo::kManyInstances, categoryOf(index), nameOf(index));
    return kResultOk;
  }
  tresult PLUGIN_API getClassInfo2(int32 index, PClassInfo2 *info) override {
    *info = PClassInfo2(idOf(index), PClassInfo::kManyInstances, categoryOf(index), nameOf(index), 0, "Fx|Delay",
                        index == 1 ? "Quoin" : "", "2.0.1", "VST 3.7");
    return kResultOk;
  }
  tresult PLUGIN_API getClassInfoUnicode(int32 index, PClassInfoW *info) override {
    memset(info, 0, sizeof *info);
    memcpy(info->cid, idOf(index), sizeof(TUID));
    strcpy(info->category, categoryOf(index));
    strcpy(info->subCategories, "Fx|Delay");
    wide(info->name, index == 1 ? "Ebb \xc9" "cho" : "Ebb Broken");
    wide(info->vendor, index == 1 ? "Quoin" : "");
    wide(info->version, "3.0.1");
    return kResultOk;
  }
  tresult PLUGIN_API setHostContext(FUnknown *) override { return kResultOk; }
  tresult PLUGIN_API createInstance(FIDString id, FIDString iid, void **to) override {
    if (same(id, controlId) && same(iid, IEditController_iid)) {
      *to = new Control;
      return kResultOk;
    }
    bool makes = same(id, echoId) && same(iid, IComponent_iid);
    *to = makes ? new Echo : nullptr;
    return makes ? kResultOk : kNoInterface;
  }
};

static bool entered = false;
extern "C" __attribute__((visibility("default"))) bool ModuleEntry(void *handle) { return entered = handle != nullptr; }
extern "C" __attribute__((visibility("default"))) IPluginFactory *GetPluginFactory() {
  static Factory factory;
  return entered ? &factory : nullptr;
}
