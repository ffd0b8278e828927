/**
 * A process that opens plugins one after the other and tells what they say. It is plain JavaScript,
 * so that it starts at once, and foreign code runs in it: nothing it does may matter to anybody
 * else. Tasks come on one descriptor, what it tells goes out on another, each line with the key that
 * came first, so that no plugin can speak for us. It never unloads and never ends by itself: whoever
 * started it ends it.
 */
import { readFileSync, readSync, writeSync } from 'node:fs';
import { openClap } from './clap.mjs';
import { alarmClock, confine } from './confine.mjs';
import { openLadspa } from './ladspa.mjs';
import { openLv2 } from './lv2.mjs';
import { LoadError, Refusal } from './native.mjs';
import { openVst2 } from './vst2.mjs';
import { openVst3 } from './vst3.mjs';

const telling = 3;
const tasks = 4;
/** Controls are asked for no longer than this, in milliseconds: what else is known matters more. */
const controlsWithin = 2_000;

const openers = {
  LADSPA: openLadspa,
  CLAP: openClap,
  VST3: openVst3,
  VST2: openVst2,
  LV2: openLv2,
};

const read = lineReader(tasks);
const { key } = JSON.parse(read() ?? '{}');
confine([telling, tasks]);
const clock = alarmClock();
tell({ ready: true });
for (let line = read(); line !== null; line = read()) {
  await work(JSON.parse(line));
}

async function work(task) {
  const about = task.task;
  clock.set(task.alarm ?? 0);
  try {
    await openers[task.format](task, tellerOf(about));
    tell({ task: about, done: true, ...burden() });
  } catch (error) {
    tell({ task: about, trouble: troubleOf(error) });
  }
  clock.set(0);
}

/**
 * What an opener tells: what the file says it holds, before any of it is made; what each says once it
 * is made; or all at once, where nothing has to be made.
 */
function tellerOf(task) {
  const created = (index, facts) => {
    tell({ task, index, created: facts });
  };
  return {
    described: (plugins) => {
      tell({ task, described: plugins });
    },
    created,
    whole: (plugins) => {
      tell({ task, whole: plugins });
    },
    /** Makes one after the other; one that says no does not keep the others from being made. */
    each: async (plugins, make, controlsOf) => {
      const made = [];
      for (const [index, plugin] of plugins.entries()) {
        try {
          const { instance, ...facts } = await make(plugin);
          created(index, facts);
          made.push({ index, instance });
        } catch (error) {
          tell({ task, index, trouble: troubleOf(error) });
        }
      }
      if (controlsOf) {
        await tellControls(made, controlsOf, created);
      }
    },
  };
}

/** After all of a file are made: what goes wrong from here on loses names of controls and nothing else. */
async function tellControls(made, controlsOf, created) {
  const end = Date.now() + controlsWithin;
  for (const { index, instance } of made) {
    if (Date.now() > end) {
      return;
    }
    try {
      created(index, { controls: await controlsOf(instance) });
    } catch {
      // It is a plugin all the same.
    }
  }
}

/** What this process has come to carry: bytes of memory and, where it is told, threads. */
function burden() {
  try {
    const status = readFileSync('/proc/self/status', 'utf8');
    return {
      memory: process.memoryUsage.rss(),
      threads: Number(/^Threads:\s+(\d+)/m.exec(status)?.[1] ?? 0),
    };
  } catch {
    return { memory: process.memoryUsage.rss(), threads: 0 };
  }
}

function troubleOf(error) {
  const detail = error instanceof Error ? error.message : String(error);
  if (error instanceof LoadError) {
    return { code: 'load-error', detail };
  }
  return { code: error instanceof Refusal ? error.code : 'refused', detail };
}

/** On a line of its own, also where a plugin wrote half a line before. */
function tell(what) {
  const bytes = Buffer.from(`\n${JSON.stringify({ key, ...what })}\n`);
  for (let at = 0; at < bytes.length; ) {
    at += writeSync(telling, bytes, at);
  }
}

/** Reads one line after the other, waiting for each; null at the end. */
function lineReader(descriptor) {
  const piece = Buffer.alloc(65_536);
  let rest = Buffer.alloc(0);
  return () => {
    for (;;) {
      const end = rest.indexOf(10);
      if (end >= 0) {
        const line = rest.subarray(0, end).toString('utf8');
        rest = rest.subarray(end + 1);
        return line;
      }
      const got = readSync(descriptor, piece, 0, piece.length, null);
      if (got === 0) {
        return null;
      }
      rest = Buffer.concat([rest, piece.subarray(0, got)]);
    }
  };
}
