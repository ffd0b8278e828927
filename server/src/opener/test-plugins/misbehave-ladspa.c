/* LADSPA plugins that misbehave, each by the number HOW. ladspa.h is of Debian's ladspa-sdk. */
#define _GNU_SOURCE
#include <fcntl.h>
#include <ladspa.h>
#include <pthread.h>
#include <pwd.h>
#include <signal.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/socket.h>
#include <sys/stat.h>
#include <sys/un.h>
#include <unistd.h>
#include <xmmintrin.h>

enum {
  WELL, CRASH_AT_LOAD, ABORT_AT_LOAD, HANG_AT_LOAD, EXIT_0, EXIT_1, PRINT, CLOSE_ALL, FORGE, FORK_AND_STAY,
  THREADS, EAT_MEMORY, IGNORE_SIGNALS, KILL_PARENT, KILL_GROUP, WRITE_HOME, CHANGE_DIRECTORY, SEVERAL,
  NONE, ODD_TEXTS, FLUSH_TO_ZERO, ENDLESS, CRASH_LATER, NO_PORTS,
  MANY, ABSURD_COUNT, PORTS_NOWHERE, CONNECT
};

static const LADSPA_PortDescriptor ports[] = {
  LADSPA_PORT_INPUT | LADSPA_PORT_AUDIO, LADSPA_PORT_OUTPUT | LADSPA_PORT_AUDIO,
  LADSPA_PORT_OUTPUT | LADSPA_PORT_AUDIO, LADSPA_PORT_INPUT | LADSPA_PORT_CONTROL
};
static const char *const port_names[] = {"In", "Left", "Right", "Amount"};
static LADSPA_Descriptor plugins[3000];
#ifndef SOCKET
#define SOCKET "/nowhere"
#endif

static void *spin(void *given) {
  for (;;) sleep(1);
}
static void *crash(void *given) {
  usleep(300000);
  *(volatile int *)8 = 1;
  return NULL;
}

__attribute__((constructor)) static void at_load(void) {
  switch (HOW) {
    case CRASH_AT_LOAD: *(volatile int *)8 = 1; break;
    case ABORT_AT_LOAD: abort();
    case HANG_AT_LOAD: for (;;) sleep(1);
    case EXIT_0: exit(0);
    case EXIT_1: exit(1);
    case PRINT:
      for (int i = 0; i < 60000; i++) {
        printf("noise of a plugin that prints all it can, over and over again\n");
        fprintf(stderr, "and to the other stream as well\n");
      }
      break;
    case CLOSE_ALL: for (int i = 0; i < 1024; i++) close(i); break;
    case FORGE:
      for (int fd = 0; fd < 64; fd++) {
        const char *line = "half a line of {}\n{\"key\":\"\",\"task\":1,\"whole\":[{\"name\":\"Forged\"}]}\n{\"task\":1,\"done\":true}\nand half of another";
        fcntl(fd, F_SETFL, fcntl(fd, F_GETFL) | O_NONBLOCK);
        if (fd == 3 && write(fd, line, strlen(line)) < 0) continue;
      }
      fcntl(3, F_SETFL, fcntl(3, F_GETFL) & ~O_NONBLOCK);
      fcntl(4, F_SETFL, fcntl(4, F_GETFL) & ~O_NONBLOCK);
      break;
    case FORK_AND_STAY:
      if (fork() == 0) {
        setsid();
        if (fork() != 0) _exit(0);
        for (;;) {
          FILE *file = fopen("/proc/self/comm", "w");
          if (file) { fprintf(file, "drawer-left"); fclose(file); }
          sleep(60);
        }
      }
      break;
    case THREADS:
      for (int i = 0; i < 50; i++) { pthread_t thread; pthread_create(&thread, NULL, spin, NULL); }
      break;
    case EAT_MEMORY:
      for (;;) {
        char *piece = malloc(64 << 20);
        if (!piece) abort();
        /* Some of it is enough: on a busy machine to fill all takes longer than one may. */
        for (int at = 0; at < 64 << 20; at += 1 << 16) piece[at] = 1;
      }
    case IGNORE_SIGNALS:
      for (int number = 1; number < 32; number++) signal(number, SIG_IGN);
      for (;;) sleep(1);
    case KILL_PARENT: kill(getppid(), SIGKILL); break;
    case KILL_GROUP: kill(0, SIGKILL); sleep(2); break;
    case WRITE_HOME: {
      char path[4096];
      snprintf(path, sizeof path, "%s/.misbehave", getenv("HOME"));
      mkdir(path, 0700);
      strcat(path, "/settings");
      FILE *file = fopen(path, "w");
      if (file) { fprintf(file, "written"); fclose(file); }
      break;
    }
    case CHANGE_DIRECTORY: if (chdir("/") != 0) abort(); break;
    case FLUSH_TO_ZERO: _mm_setcsr(_mm_getcsr() | 0x8040); break;
    case CRASH_LATER: { pthread_t thread; pthread_create(&thread, NULL, crash, NULL); break; }
  }
  for (int i = 0; i < 3; i++) {
    static const char *const labels[] = {"one", "two", "three"};
    static const char *const names[] = {"Wharf One", "Wharf Two", "Wharf Three"};
    plugins[i] = (LADSPA_Descriptor){
      .UniqueID = 9001 + i, .Label = labels[i], .Name = names[i], .Maker = "Quoin <q@example.org>",
      .Copyright = "None", .PortCount = 4, .PortDescriptors = ports, .PortNames = port_names
    };
  }
  if (HOW == ODD_TEXTS) {
    static char longest[100001];
    static char endless[64] = "no end in these sixty-four bytes, and whatever follows is read on";
    memset(longest, 'x', 100000);
    plugins[0].Name = "Caf\xe9 \x01\x1b[2J";
    plugins[0].Maker = NULL;
    plugins[1].Name = longest;
    plugins[1].Maker = endless;
    plugins[2].Name = NULL;
  }
  if (HOW == MANY) {
    for (int i = 0; i < 3000; i++) {
      char *label = malloc(16);
      sprintf(label, "many-%d", i);
      plugins[i] = plugins[0];
      plugins[i].UniqueID = 10000 + i;
      plugins[i].Label = label;
    }
  }
  if (HOW == ABSURD_COUNT) plugins[1].PortCount = 1UL << 40;
  if (HOW == PORTS_NOWHERE) plugins[1].PortDescriptors = NULL;
  if (HOW == CONNECT) {
    struct sockaddr_un address = {.sun_family = AF_UNIX};
    int fd = socket(AF_UNIX, SOCK_STREAM, 0);
    strcpy(address.sun_path, SOCKET);
    plugins[0].Name = connect(fd, (struct sockaddr *)&address, sizeof address) == 0 ? "Reached" : "Not reached";
  }
  if (HOW == NO_PORTS) { plugins[0].PortCount = 0; plugins[0].PortDescriptors = NULL; }
}

const LADSPA_Descriptor *ladspa_descriptor(unsigned long index) {
  if (HOW == NONE) return NULL;
  if (HOW == ENDLESS) return &plugins[0];
  unsigned long count = HOW == SEVERAL || HOW == ODD_TEXTS ? 3 : 1;
  if (HOW == MANY) count = 3000;
  if (HOW == ABSURD_COUNT || HOW == PORTS_NOWHERE) count = 2;
  return index < count ? &plugins[index] : NULL;
}
