/**
 * A picture that a plugin has. It is fetched when its place has been the same for a moment, so that
 * who types sees what was found without waiting for pictures of what is gone again with the next
 * letter; what was fetched is drawn at once from then on.
 */
import { useEffect, useState } from 'react';

/** Milliseconds: who types is quicker. */
const pause = 150;

/** So many are held, those that came last. The browser lets go of others when it likes. */
const cacheSize = 200;
const cache = new Map<string, HTMLImageElement>();

function hold(address: string, image: HTMLImageElement): void {
  cache.set(address, image);
  const [oldest] = cache.keys();
  if (cache.size > cacheSize && oldest !== undefined) {
    cache.delete(oldest);
  }
}

/** Whether the picture was fetched; where it cannot be, it never is. */
function useFetched(address: string): boolean {
  const [arrived, setArrived] = useState<string | null>(null);
  const isHere = arrived === address || cache.has(address);
  useEffect(() => {
    if (isHere) {
      return undefined;
    }
    let isWanted = true;
    const timer = setTimeout(() => {
      const image = new Image();
      image.onload = () => {
        hold(address, image);
        if (isWanted) {
          setArrived(address);
        }
      };
      image.src = address;
    }, pause);
    return () => {
      isWanted = false;
      clearTimeout(timer);
    };
  }, [address, isHere]);
  return isHere;
}

interface Props {
  readonly address: string;
  readonly className: string;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
}

export function Picture({ address, className, width, height }: Props) {
  const isHere = useFetched(address);
  return isHere ? (
    <img
      className={className}
      src={address}
      alt=""
      width={width}
      height={height}
      draggable={false}
    />
  ) : (
    <svg
      className={className}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      aria-hidden="true"
    />
  );
}
