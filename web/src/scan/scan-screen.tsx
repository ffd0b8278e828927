/** Scan: where plugins live, looking through, and what came of it. */
import { useQuery } from '@tanstack/react-query';
import { useComputer, useScanProgress } from '../studio/contexts.ts';
import { Asides } from './asides.tsx';
import { Findings } from './findings.tsx';
import { Places } from './places.tsx';
import { ScanControls } from './scan-controls.tsx';
import './scan.css';

export function ScanScreen() {
  const { client } = useComputer();
  const scan = useScanProgress();
  const places = useQuery({ queryKey: ['places', client.computer], queryFn: client.places });
  const scans = useQuery({ queryKey: ['scans', client.computer], queryFn: client.scans });
  if (!places.data || !scans.data) {
    return <main aria-busy="true" />;
  }
  const progress = scan ?? scans.data.progress;
  return (
    <main className="scan-screen">
      <section className="pane scan-left" aria-labelledby="places-title">
        <h1 id="places-title">Where this computer keeps plugins</h1>
        <p className="text-soft visually-quiet">
          Only these places are read, and nothing in them is ever changed.
        </p>
        <ScanControls
          hasPlaces={places.data.length > 0}
          progress={progress}
          latest={scans.data.scans[0]}
          failed={places.data.reduce((sum, place) => sum + place.failed, 0)}
        />
        <Places places={places.data} isScanning={progress !== null} />
        <Asides />
      </section>
      <section className="scan-right" aria-labelledby="changed-title">
        <h1 id="changed-title">What changed</h1>
        <Findings
          key={scans.data.scans[0]?.id}
          scans={scans.data.scans}
          hasPlaces={places.data.length > 0}
        />
      </section>
    </main>
  );
}
