/** A saved setting of one plugin, as a file tells it. */
import type { Problem } from '../problem.ts';
import type { Format } from './found-copy.ts';

/** What reading tells of a setting; null where it cannot know. */
export interface FoundSetting {
  readonly format: Format;
  /** The bundle or file that it lies in, absolute. */
  readonly path: string;
  /**
   * The plugin it is for, as its copies are called: LV2's URI, VST3's class id, AU's
   * `type:subtype:manufacturer`, LADSPA's unique id.
   */
  readonly plugin: string | null;
  readonly name: string | null;
  readonly bank: string | null;
  readonly comment: string | null;
  /** LV2: the preset's URI; LADSPA: the setting's, where it has one. */
  readonly identity: string | null;
  /** How many values of controls it says; null where they are not told apart. */
  readonly values: number | null;
  /** Who made the plugin and what it is called, by the directories that the format prescribes. */
  readonly vendor: string | null;
  readonly pluginName: string | null;
  readonly status: 'ok' | 'failed';
  readonly problem: Problem | null;
}

/** A setting of which nothing is known yet. */
export const bareSetting = (format: Format, path: string): FoundSetting => ({
  format,
  path,
  plugin: null,
  name: null,
  bank: null,
  comment: null,
  identity: null,
  values: null,
  vendor: null,
  pluginName: null,
  status: 'ok',
  problem: null,
});

/** A file or bundle whose settings could not be read. */
export const failedSetting = (format: Format, path: string, problem: Problem): FoundSetting => ({
  ...bareSetting(format, path),
  status: 'failed',
  problem,
});
