import type { Preview } from '../api/client';
import { PlaceRing } from './PlaceRing';

const MOST = 12;

/** Where what a pending change will do is worth a word: its remarks that have a place. */
export function RemarkRings({ remarks }: { remarks: Preview['remarks'] }) {
  const places = remarks.flatMap((r) => (r.at && !r.stop ? [r.at] : [])).slice(0, MOST);
  return (
    <>
      {places.map((at, i) => (
        <PlaceRing key={i} place={at} />
      ))}
    </>
  );
}
