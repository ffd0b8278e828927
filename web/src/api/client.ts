/** Speaking to the server: typed calls that end in a value or in a Refused with the problems. */
import type { Act } from '@clever-drawer/core/acts';
import type {
  AsideView,
  BackupsView,
  CatalogView,
  ChangeView,
  ComputerView,
  FindingView,
  HabitsView,
  KeysView,
  LoadRequest,
  OrderPreview,
  OrderStep,
  OrderView,
  OpeningView,
  OpeningWish,
  PlaceView,
  PluginSetting,
  WaitingSetting,
  WaitingView,
  WorkedReview,
  PluginView,
  PointComparison,
  PointsView,
  PutOff,
  Refusal,
  RepairView,
  ScanMode,
  ScanProgress,
  ScanView,
  SessionView,
  ShelfSettings,
  ShelfView,
  TakenView,
} from '@clever-drawer/core/api';
import type { CatalogChange } from '@clever-drawer/core/catalog';
import type { MergeMode } from '@clever-drawer/core/exchange';
import type { Format } from '@clever-drawer/core/formats';
import type { ChangePart } from '@clever-drawer/core/keep';
import type { HostSettings, Usage } from '@clever-drawer/core/loading';
import type { Problem } from '@clever-drawer/core/problem';
import type { ReviewPart, ReviewView } from '@clever-drawer/core/review';
import type { SortChange, SortView } from '@clever-drawer/core/studio';
import { changeCatalog } from '@clever-drawer/core/catalog';
import { changeSort } from '@clever-drawer/core/studio';
import * as texts from './texts.ts';

/** The server (or the network) said no. `message` is for the user. */
export class Refused extends Error {
  readonly problems: readonly Problem[];
  constructor(message: string, problems: readonly Problem[]) {
    super(message);
    this.problems = problems;
  }
}

/** What to tell the user of an error. */
export const messageOf = (error: unknown): string =>
  error instanceof Error ? error.message : String(error);

const call = <T>(method: string, path: string, body?: unknown): Promise<T> =>
  send(method, path, body === undefined ? undefined : JSON.stringify(body), 'application/json');

async function send<T>(
  method: string,
  path: string,
  body: BodyInit | undefined,
  type: string,
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api/${path}`, {
      method,
      ...(body === undefined ? {} : { body, headers: { 'Content-Type': type } }),
    });
  } catch {
    throw new Refused(texts.noAnswer, []);
  }
  if (response.ok) {
    return (await response.json()) as T;
  }
  const refusal = (await response.json().catch(() => ({ problems: [] }))) as Refusal;
  throw new Refused(
    refusal.problems.map((p) => p.message).join(' ') || texts.serverAnswered(response.status),
    refusal.problems,
  );
}

/** Reads in the copies of another computer, as its scanner wrote them. */
export const takeCopies = (computer: string, lines: Blob, mayGo = false): Promise<TakenView> =>
  send(
    'POST',
    asking('take', { computer, gone: mayGo ? 'accept' : null }),
    lines,
    'application/x-ndjson',
  );

/** Backups of the whole studio. */
export const viewBackups = (): Promise<BackupsView> => call('GET', 'backups');
export const backUpNow = (): Promise<BackupsView> => call('POST', 'backups');
export const setBackups = (directory: string, keep: number): Promise<BackupsView> =>
  call('PUT', 'backups', { directory, keep });

export const listComputers = (): Promise<ComputerView[]> => call('GET', 'computers');

export const renameComputer = (computer: string, name: string): Promise<ComputerView> =>
  call('PATCH', `computers/${computer}`, { name });
/** Takes a computer out of sight; it can be restored with all that is known of it. */
export const removeComputer = (computer: string): Promise<ComputerView> =>
  call('DELETE', `computers/${computer}`);
export const listRemovedComputers = (): Promise<ComputerView[]> => call('GET', 'removed-computers');
export const restoreComputer = (computer: string): Promise<ComputerView> =>
  call('POST', 'removed-computers/restore', { computer });

/** An order that is to be read in: a document's text, or that of another computer here. */
export interface IncomingOrder {
  readonly form?: 'document' | 'outline' | 'table' | 'tree';
  readonly text?: string;
  readonly computer?: string;
  readonly how: MergeMode;
  readonly choices: Readonly<Record<string, string | null>>;
  readonly hasLoads?: boolean;
}

/** A path with what is asked of it: what is null is not. */
const asking = (path: string, asked: Readonly<Record<string, string | null>>): string => {
  const parts = Object.entries(asked).flatMap(([name, value]) =>
    value === null ? [] : [[name, value]],
  );
  return parts.length === 0 ? path : `${path}?${new URLSearchParams(parts).toString()}`;
};

/** Asks for what changed of what is here; for the whole where nothing is. */
const since = (before: { readonly version: number } | undefined): { since: string | null } => ({
  since: before ? String(before.version) : null,
});

/** All calls about one computer. */
export function clientFor(computer: string) {
  const at = (path: string): string => `computers/${computer}/${path}`;
  return {
    computer,
    /** The catalog as it is now; of one that is here only what changed is fetched. */
    catalog: async (before: CatalogView | undefined): Promise<CatalogView> => {
      const path = at(asking('catalog', since(before)));
      const answer = await call<CatalogView | CatalogChange>('GET', path);
      return before && 'changed' in answer
        ? changeCatalog(before, answer)
        : (answer as CatalogView);
    },
    usage: () => call<Usage[]>('GET', at('usage')),
    order: () => call<OrderView>('GET', at('order')),
    act: (act: Act) => call<OrderStep>('POST', at('acts'), act),
    changes: () => call<ChangeView[]>('GET', at('changes')),
    undo: () => call<OrderStep>('POST', at('undo')),
    redo: () => call<OrderStep>('POST', at('redo')),
    places: () => call<PlaceView[]>('GET', at('places')),
    addPlace: (path: string, formats?: readonly Format[]) =>
      call<PlaceView>('POST', at('places'), { path, ...(formats ? { formats } : {}) }),
    addUsualPlaces: () => call<PlaceView[]>('POST', at('places/usual')),
    removePlace: (place: string) => call<null>('DELETE', at(`places/${place}`)),
    scans: () => call<{ scans: ScanView[]; progress: ScanProgress | null }>('GET', at('scans')),
    startScan: (mode: ScanMode) => call<ScanView>('POST', at('scans'), { mode }),
    changePlace: (place: string, change: { isOn?: boolean; isWatched?: boolean }) =>
      call<PlaceView[]>('PATCH', at(`places/${place}`), change),
    opening: () => call<OpeningView>('GET', at('opening')),
    changeOpening: (wish: OpeningWish) => call<OpeningView>('PUT', at('opening'), { wish }),
    asides: () => call<AsideView[]>('GET', at('asides')),
    stopScan: () => call<null>('POST', at('scans/stop')),
    findings: (scan: string) => call<FindingView[]>('GET', at(`scans/${scan}/findings`)),
    failedNow: () => call<FindingView[]>('GET', at('copies/failed')),
    session: () => call<SessionView>('GET', at('session')),
    load: (load: LoadRequest) => call<SessionView>('POST', at('session/loads'), load),
    moveSlot: (slot: string, track: string, index: number) =>
      call<SessionView>('POST', at('session/moves'), { slot, track, index }),
    bypassSlot: (slot: string, isBypassed: boolean) =>
      call<SessionView>('POST', at('session/bypasses'), { slot, isBypassed }),
    widenTrack: (track: string, width: number) =>
      call<SessionView>('PUT', at('session/widths'), { track, width }),
    undoInSession: () => call<SessionView>('POST', at('session/undo')),
    redoInSession: () => call<SessionView>('POST', at('session/redo')),
    setSession: (settings: HostSettings) =>
      call<SessionView>('PUT', at('session/settings'), settings),
    saveSession: (name: string) => call<SessionView>('POST', at('sessions'), { name }),
    openSession: (id: string) => call<SessionView>('POST', at(`sessions/${id}/open`)),
    forgetSession: (id: string) => call<SessionView>('DELETE', at(`sessions/${id}`)),
    repairs: () => call<RepairView[]>('GET', at('session/repairs')),
    repair: (slots: readonly string[]) =>
      call<SessionView>('POST', at('session/repairs'), { slots }),
    habits: () => call<HabitsView>('GET', at('habits')),
    setLearning: (isLearning: boolean) => call<null>('PATCH', at('habits'), { isLearning }),
    keys: () => call<KeysView>('GET', at('keys')),
    wipeLoads: () => call<number>('DELETE', at('loads')),
    emptySlot: (slot: string) => call<SessionView>('DELETE', at(`session/slots/${slot}`)),
    pictureAddress: (copy: string) => `/api/${at(`copies/${copy}/picture`)}`,
    /** What is uncertain now; of what is here already only what changed is fetched. */
    sort: async (before: SortView | undefined): Promise<SortView> => {
      const answer = await call<SortView | SortChange>('GET', at(asking('sort', since(before))));
      return before && 'changed' in answer ? changeSort(before, answer) : (answer as SortView);
    },
    waiting: async (later: readonly string[]): Promise<number> =>
      (await call<WaitingView>('POST', at('waiting'), { later })).waiting,
    settings: () => call<PluginSetting[]>('GET', at('settings')),
    waitingSettings: () => call<WaitingSetting[]>('GET', at('settings/waiting')),
    plugin: (plugin: string) => call<PluginView>('GET', at(`plugins/${plugin}`)),
    addPicture: (picture: Blob) =>
      send<{ id: string }>('POST', at('pictures'), picture, 'application/octet-stream'),
    ownPictureAddress: (picture: string) => `/api/${at(`pictures/${picture}`)}`,
    points: () => call<PointsView>('GET', at('points')),
    markPoint: (name: string) => call<PointsView>('POST', at('points'), { name }),
    namePoint: (point: string, name: string) =>
      call<PointsView>('PUT', at(`points/${point}`), { name }),
    removePoint: (point: string) => call<PointsView>('DELETE', at(`points/${point}`)),
    comparePoint: (point: string, from: string | null) =>
      call<PointComparison>(
        'GET',
        at(`points/${point}/comparison${from === null ? '' : `?from=${from}`}`),
      ),
    returnTo: (point: string, part: ChangePart | null) =>
      call<OrderStep>('POST', at(`points/${point}/return`), { part }),
    documentAddress: (withLoads: boolean) =>
      `/api/${at('document')}${withLoads ? '?loads=yes' : ''}`,
    pointAddress: (point: string) => `/api/${at('document')}?point=${point}`,
    copiesAddress: `/api/${at('copies.ndjson')}`,
    outlineAddress: `/api/${at('outline')}`,
    table: (plugins: readonly string[] | null) =>
      call<{ text: string }>('POST', at('table'), { plugins }),
    previewDocument: (incoming: IncomingOrder) =>
      call<OrderPreview>('POST', at('document/preview'), incoming),
    mergeDocument: (incoming: IncomingOrder) =>
      call<OrderStep>('POST', at('document/merge'), incoming),
    review: (part: ReviewPart, view: ReviewView) =>
      call<WorkedReview>('GET', at(asking('review', { part, ...view }))),
    putOffs: () => call<PutOff>('GET', at('review/put-off')),
    putOff: (what: string, until?: string | null) =>
      call<PutOff>('PUT', at('review/put-off'), {
        what,
        ...(until === undefined ? {} : { until }),
      }),
    shelf: () => call<ShelfView>('GET', at('shelf')),
    previewShelf: (shelf: ShelfSettings) => call<ShelfView>('POST', at('shelf/preview'), shelf),
    setShelf: (shelf: ShelfSettings) => call<ShelfView>('PUT', at('shelf'), shelf),
    removeShelf: () => call<ShelfView>('DELETE', at('shelf')),
    eventsAddress: `/api/${at('events')}`,
  };
}
export type Client = ReturnType<typeof clientFor>;
