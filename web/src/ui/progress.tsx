/**
 * A progress bar whose name reaches the element that has the role, which Bootstrap's own outer one
 * does not.
 */
import { ProgressBar } from 'react-bootstrap';

export const Progress = ({ name, now, max = 100 }: { name: string; now: number; max?: number }) => (
  <div className="progress">
    <ProgressBar isChild now={now} max={max} aria-label={name} />
  </div>
);
