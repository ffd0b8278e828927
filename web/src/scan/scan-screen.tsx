/** Scan: where plugins live, looking through, and what came of it. */
import { useQuery } from '@tanstack/react-query';
import type { PlaceView, ScanProgress, ScanView } from '@clever-drawer/core/api';
import { useComputer, useScanProgress } from '../studio/contexts.ts';
import { sayTime } from '../ui/time-words.ts';
import { Asides } from './asides.tsx';
import { ComputerActs, RemovedComputers } from './computer-acts.tsx';
import { Findings } from './findings.tsx';
import { Opening } from './opening.tsx';
import { Places } from './places.tsx';
import { TakeCopies } from './take-copies.tsx';
import { ScanControls } from './scan-controls.tsx';
import { Waiting } from './waiting.tsx';
import './scan.css';
import * as texts from './texts.ts';

export function ScanScreen() {
  const { client, computer } = useComputer();
  const scan = useScanProgress();
  const places = useQuery({ queryKey: ['places', client.computer], queryFn: client.places });
  const scans = useQuery({ queryKey: ['scans', client.computer], queryFn: client.scans });
  if (!places.data || !scans.data) {
    return <main id="content" tabIndex={-1} aria-busy="true" />;
  }
  const progress = scan ?? scans.data.progress;
  return (
    <main id="content" tabIndex={-1} className="scan-screen">
      <section className="pane scan-left" aria-labelledby="places-title">
        {computer.isElsewhere ? (
          <Elsewhere name={computer.name} latest={scans.data.scans[0]} />
        ) : (
          <Here places={places.data} progress={progress} latest={scans.data.scans[0]} />
        )}
        <Asides />
        <RemovedComputers />
        <Waiting />
      </section>
      <section className="scan-right" aria-labelledby="changed-title">
        <h1 id="changed-title">{texts.whatChanged}</h1>
        <Findings
          key={scans.data.scans[0]?.id}
          scans={scans.data.scans}
          hasPlaces={places.data.length > 0}
        />
      </section>
    </main>
  );
}

interface HereProps {
  readonly places: readonly PlaceView[];
  readonly progress: ScanProgress | null;
  readonly latest: ScanView | undefined;
}

/** The places of the computer that the program runs on. */
function Here({ places, progress, latest }: HereProps) {
  return (
    <>
      <h1 id="places-title">{texts.whereThisComputerKeepsPlugins}</h1>
      <p className="text-soft visually-quiet">{texts.cleverDrawerScansOnlyThese}</p>
      <ScanControls
        hasPlaces={places.length > 0}
        progress={progress}
        latest={latest}
        failed={places.reduce((sum, place) => sum + place.failed, 0)}
      />
      {progress === null && places.length > 0 && <Opening />}
      <Places places={places} isScanning={progress !== null} />
      <ComputerActs />
      <details className="another-computer">
        <summary>{texts.pluginsOfAnotherComputer}</summary>
        <TakeCopies name="" />
      </details>
    </>
  );
}

/** A computer whose copies were read in. */
function Elsewhere({ name, latest }: Pick<HereProps, 'latest'> & { readonly name: string }) {
  return (
    <>
      <h1 id="places-title">{texts.isAnotherComputer(name)}</h1>
      <p className="text-soft">
        {latest && texts.importedOn(sayTime(latest.startedAt))} {texts.youCanFileItsPlugins}
      </p>
      <ComputerActs />
      <TakeCopies name={name} />
    </>
  );
}
