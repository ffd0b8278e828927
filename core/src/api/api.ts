/** What server and browser say to each other (JSON). Times are ISO 8601 texts. */
import type { FoundSettingCard } from '../arrangement/setting-plugin.ts';
import type { DescribedChange } from '../exchange/describe-change.ts';
import type { MatchChoice, MatchHow } from '../exchange/match-plugins.ts';
import type { PointReason } from '../keep/points.ts';
import type {
  ComputerId,
  CopyId,
  FolderId,
  PlaceId,
  PluginId,
  ScanId,
  SlotId,
  TrackId,
} from '../id.ts';
import type { CatalogState } from '../catalog/catalog-change.ts';
import type { Format } from '../formats/found-copy.ts';
import type { FindingKind } from '../scan/compare.ts';
import type { OrderRecord } from '../order/records.ts';
import type { OrderChange } from '../acts/act-result.ts';
import type { TrackKind } from '../loading/loadability.ts';
import type { HostCopy, HostSettings } from '../loading/host-session.ts';
import type { ReviewParts } from '../review/review.ts';
import type { Problem } from '../problem.ts';
import type { FoundCopy } from '../formats/found-copy.ts';
import type { CopyState } from '../catalog/plugin.ts';
import type { PluginEvidence } from '../identify/identify-catalog.ts';

/** A studio computer, as the choice of computers shows it. */
export interface ComputerView {
  readonly id: ComputerId;
  readonly name: string;
  /** Whether it is another computer: its copies were read in, and cannot be opened or loaded here. */
  readonly isElsewhere: boolean;
}

/** The plugins of a computer, as its disks hold them. */
export interface CatalogView extends CatalogState {
  readonly computer: ComputerView;
}

/** The order with the number of the latest change in it, and what undo and redo would do. */
export interface OrderView {
  readonly revision: number;
  readonly records: readonly OrderRecord[];
  readonly undo: string | null;
  readonly redo: string | null;
}

/** A change of the log; `discarded` ones were undone and can no longer be redone. */
export interface ChangeView {
  readonly number: number;
  readonly at: string;
  readonly words: string;
  readonly state: 'done' | 'undone' | 'discarded';
}

/** A change that was stored, as every window hears of it. */
export interface OrderStep {
  readonly revision: number;
  readonly words: string;
  readonly change: OrderChange;
  readonly undo: string | null;
  readonly redo: string | null;
}

/** A point to return to. */
export interface PointView {
  readonly id: string;
  readonly at: string;
  /** Null where it came by itself. */
  readonly name: string | null;
  readonly reason: PointReason;
  /** Of a point before much changed: what did, in words. */
  readonly before: string | null;
  /** What the order held. */
  readonly folders: number;
  readonly filed: number;
}

/** All points, newest first. */
export interface PointsView {
  readonly points: readonly PointView[];
  /** Changes since the newest one. */
  readonly changes: number;
}

/** What returning to a point would do, in all or in part. */
export interface PointComparison {
  readonly change: DescribedChange;
  /** Folders and plugins of which something would change: each can be taken back by itself. */
  readonly folders: readonly { readonly id: string; readonly name: string }[];
  readonly plugins: readonly { readonly id: string; readonly name: string }[];
  readonly cabinets: readonly { readonly id: string; readonly name: string }[];
}

/** A cabinet that is written out as directories, and kept in step. */
export interface ShelfSettings {
  readonly cabinet: string;
  readonly directory: string;
  readonly hasFigures: boolean;
}

/** What bringing a shelf into step did, or would do. */
export interface ShelfView {
  readonly settings: ShelfSettings | null;
  /** Null where nothing was written since the start. */
  readonly last: {
    readonly at: string;
    readonly done: number;
    readonly kept: number;
    /** What lay in the way and was left, with why; the first of them. */
    readonly left: readonly { readonly path: string; readonly because: string }[];
    /** Why it could not be written; null where it was. */
    readonly trouble: string | null;
  } | null;
}

/** A backup that is there. */
export interface BackupView {
  readonly file: string;
  readonly at: string;
  readonly bytes: number;
  /** Rows in all. */
  readonly rows: number;
}

/** Backups of the studio. */
export interface BackupsView {
  readonly directory: string;
  /** How many are kept. */
  readonly keep: number;
  /** Newest first. */
  readonly backups: readonly BackupView[];
  /** Why the last one failed; null where it did not. */
  readonly trouble: string | null;
  /** Whether the newest one is older than two days, or there is none. */
  readonly isOld: boolean;
}

/** What a plugin of a document is here; `choices` are best first. */
export interface MatchView {
  readonly from: { readonly id: string; readonly name: string; readonly vendor: string | null };
  readonly how: MatchHow;
  readonly choices: readonly (MatchChoice & {
    readonly name: string;
    readonly vendor: string | null;
    readonly formats: readonly Format[];
  })[];
  /** Names of the folders it stands in. */
  readonly folders: readonly string[];
}

/** What was put off, by what it is called: until when (ISO 8601), or null for good. */
export type PutOff = Readonly<Record<string, string | null>>;

/** A part of a review as it was worked out. */
export interface WorkedReview {
  readonly at: string;
  /** Whether loads are learnt from; if not, it tells of none. */
  readonly isLearning: boolean;
  readonly review: Partial<ReviewParts>;
}

/** What reading a document into the order would do. */
export interface OrderPreview {
  readonly change: DescribedChange;
  readonly matches: readonly MatchView[];
  /** The computer it was written on. */
  readonly computer: string;
  /** Loads that come along; undo leaves them here. */
  readonly loads: number;
}

/** A place with how many copies were found in it. */
export interface PlaceView {
  readonly id: PlaceId;
  readonly path: string;
  readonly formats: readonly Format[];
  readonly copies: number;
  readonly failed: number;
  /** How many of the copies name a program that is missing: they cannot be loaded. */
  readonly withoutProgram: number;
  /** How many of the copies were opened. */
  readonly opened: number;
  /** How many saved settings were found in it. */
  readonly settings: number;
  readonly isOn: boolean;
  /** Whether it is scanned by itself when something changes in it. */
  readonly isWatched: boolean;
  /** Whether the directory can be read now. */
  readonly reachable: boolean;
}

/** A copy that is neither examined nor in the catalog until it is restored. */
export interface AsideView {
  readonly copy: CopyId;
  readonly name: string;
  readonly format: Format;
  readonly path: string;
}

/** What a scan examines: what changed, everything, or only what failed. */
export const scanModes = ['changed', 'everything', 'failed', 'open'] as const;
/** Which bundles a scan examines. */
export type ScanMode = (typeof scanModes)[number];

/** How a scan goes, or how it ended. */
export type ScanState = 'running' | 'done' | 'stopped' | 'interrupted';

/** A scan with what it counted. Times are ISO 8601. */
export interface ScanView {
  readonly id: ScanId;
  readonly startedAt: string;
  readonly endedAt: string | null;
  readonly state: ScanState;
  readonly looked: number;
  readonly counts: Readonly<Record<FindingKind | 'unchanged', number>>;
  /** What of the places could not be looked into, in words. */
  readonly problems: readonly string[];
}

/** How far a running scan is. `total` is null while the places are still being walked. */
export interface ScanProgress {
  readonly scan: ScanId;
  readonly state: ScanState;
  readonly place: string;
  readonly examining: string;
  readonly done: number;
  readonly total: number | null;
  readonly unchanged: number;
  /** How many could not be examined in this scan so far. */
  readonly failed: number;
  /** Whether what is being examined is opened, not only read. */
  readonly isOpening: boolean;
  readonly secondsLeft: number | null;
}

/** When copies are opened that reading cannot tell enough of. */
export const openingWishes = ['always', 'ask', 'never'] as const;
/** One of these. */
export type OpeningWish = (typeof openingWishes)[number];

/** What reading in another computer's copies came to. */
export interface TakenView {
  readonly computer: ComputerView;
  readonly isNew: boolean;
  readonly scan: ScanView;
}

/** What opening could tell more of, and whether it may. */
export interface OpeningView {
  readonly wish: OpeningWish;
  /** Copies of which reading knows no more than their file's name. */
  readonly nameless: number;
  /** Copies that were never opened, and fit this machine. */
  readonly unopened: number;
  /** What cannot be kept from opened plugins on this system, in words. */
  readonly lacks: string | null;
}

/** What a scan found about one copy. */
export interface FindingView {
  readonly id: string;
  readonly sort: FindingKind;
  readonly name: string;
  readonly vendor: string | null;
  readonly format: Format;
  readonly path: string;
  readonly from: string | null;
  readonly to: string | null;
  readonly plugin: PluginId | null;
  /** For a copy that failed and is there: what to set aside. */
  readonly copy: CopyId | null;
  readonly problem: Problem | null;
}

/** Questions that are put off in a window, which count no longer. */
export interface WaitingAsked {
  readonly later: readonly string[];
}

/** How many questions wait, copies that failed among them. */
export interface WaitingView {
  readonly waiting: number;
}

/** A saved setting with the plugin it is for. */
export type PluginSetting = FoundSettingCard;

/** A saved setting whose plugin is not here. */
export interface WaitingSetting {
  readonly format: Format;
  readonly name: string;
  readonly bank: string | null;
  readonly path: string;
  /** The plugin it names, as its copies would be called. */
  readonly plugin: string | null;
  /** By the directories that the format prescribes. */
  readonly pluginName: string | null;
  readonly vendor: string | null;
}

/** A saved setting of a plugin, as a scan found it. */
export interface SettingView {
  readonly id: PluginId;
  readonly format: Format;
  readonly name: string;
  readonly bank: string | null;
  readonly comment: string | null;
  /** The bundle or file it stands in. */
  readonly path: string;
  /** How many controls it sets; null where they are not told apart. */
  readonly values: number | null;
}

/** All that is known of one plugin. */
export interface PluginView {
  readonly plugin: PluginId;
  readonly grounds: PluginEvidence | null;
  readonly copies: readonly {
    readonly id: CopyId;
    readonly state: CopyState;
    readonly firstSeen: string;
    readonly lastSeen: string;
    readonly facts: FoundCopy;
  }[];
  readonly findings: readonly (FindingView & { readonly at: string })[];
  /** Saved settings that were found for it. */
  readonly settings: readonly SettingView[];
  /** Loads by month (YYYY-MM), oldest first, without empty months. */
  readonly loads: readonly { readonly month: string; readonly loads: number }[];
}

/** What a host says was wrong, with its wording. */
export type ProblemView = Problem & { readonly message: string };

/** `plugin` and `copy` are null for what the catalog does not know; with a `problem`, nothing sounds here. */
export interface SlotView {
  readonly id: SlotId;
  readonly plugin: PluginId | null;
  readonly copy: CopyId | null;
  readonly asked: HostCopy;
  /** What the host gave as the state of what stands there; null where it gives none. */
  readonly state: string | null;
  readonly isBypassed: boolean;
  readonly problem: ProblemView | null;
}
/** A track of the session with its slots. */
export interface TrackView {
  readonly id: TrackId;
  readonly name: string;
  readonly sort: TrackKind;
  /** Channels. */
  readonly width: number;
  readonly slots: readonly SlotView[];
}
/** A session that was kept under a name. */
export interface SavedSessionView {
  readonly id: string;
  readonly name: string;
  readonly savedAt: string;
  readonly slots: number;
}
/** The practice session as it stands, with those that are kept. */
export interface SessionView {
  readonly name: string;
  readonly settings: HostSettings;
  readonly tracks: readonly TrackView[];
  /** The step that would be taken back, or done again, in words; null without one. */
  readonly undo: string | null;
  readonly redo: string | null;
  readonly saved: readonly SavedSessionView[];
}

/** What could stand in a slot whose copy cannot be opened; null where nothing here is like it. */
export interface RepairView {
  readonly slot: SlotId;
  readonly track: string;
  readonly asked: HostCopy;
  readonly match: {
    readonly plugin: PluginId;
    readonly copy: CopyId;
    readonly name: string;
    readonly format: Format;
    readonly because: string;
    readonly isSure: boolean;
  } | null;
}

/** One load into a slot: at `index` of the track; what stood there is replaced. */
export interface LoadRequest {
  readonly track: TrackId;
  readonly index: number;
  readonly plugin: PluginId;
  /** The copy that was chosen; null lets the preferred one be taken. */
  readonly copy: CopyId | null;
  readonly typed: string;
  readonly keys: number;
  /** From the first key to the last, in milliseconds; null when it was not by keys. */
  readonly took: number | null;
  /** The folder that was open meanwhile. */
  readonly folder?: FolderId | null | undefined;
}

/** What is known of habits beside how warm each plugin is: where, after what, for which letters. */
export interface HabitsView {
  readonly isLearning: boolean;
  readonly here: readonly {
    readonly plugin: PluginId;
    readonly track: TrackKind;
    readonly warmth: number;
  }[];
  readonly after: readonly {
    readonly after: PluginId;
    readonly plugin: PluginId;
    readonly warmth: number;
  }[];
  readonly letters: readonly {
    readonly typed: string;
    readonly plugin: PluginId;
    readonly times: number;
  }[];
}

/**
 * Keys for a load, over time: by week (the Monday, YYYY-MM-DD), and the longest hunt of the last
 * thirty days. Loads whose keys nobody counted are left out.
 */
export interface KeysView {
  readonly weeks: readonly {
    readonly week: string;
    readonly loads: number;
    readonly keys: number;
    readonly seconds: number | null;
  }[];
  readonly today: { readonly loads: number; readonly keys: number | null };
  readonly longest: {
    readonly plugin: PluginId;
    readonly keys: number;
    readonly typed: string;
  } | null;
  readonly loads: number;
}

/** A load that a host tells of afterwards. */
export interface PastLoad {
  /** As the host calls this load: told twice, it counts once. */
  readonly id?: string | undefined;
  readonly plugin: PluginId;
  readonly at: string;
  readonly track: TrackKind;
  readonly after: PluginId | null;
  readonly typed?: string;
  readonly keys?: number;
  readonly took?: number;
  readonly folder?: FolderId | undefined;
}

/** What the server tells its windows by itself. */
export type ServerEvent =
  /** The stream begins; nothing was told of this computer in the `quiet` milliseconds before. */
  | { readonly event: 'opened'; readonly quiet: number }
  | { readonly event: 'order'; readonly step: OrderStep }
  | { readonly event: 'catalog' }
  | { readonly event: 'scan'; readonly progress: ScanProgress }
  | { readonly event: 'session' }
  | { readonly event: 'usage' }
  | { readonly event: 'database'; readonly isThere: boolean };

/** Whether the program lives and can do its work; `reasons` say in words why it cannot. */
export interface HealthView {
  readonly isLive: boolean;
  readonly isReady: boolean;
  readonly reasons: readonly string[];
  /** Errors that nobody caught since the start, the latest last: faults of ours, in words. */
  readonly uncaught: readonly string[];
}

/** The body of every answer that is not a success. */
export interface Refusal {
  readonly problems: readonly (Problem & { readonly message: string })[];
}
