import type { Finding, Schemas } from '../../api/client';

type Wanted = Schemas['Wanted'];
type Pardon = Schemas['Pardon'];

function isOf(pardon: Pardon, f: Finding): boolean {
  const { place } = pardon;
  return (
    pardon.kind === f.kind &&
    (!place || (place.x === f.place.x && place.y === f.place.y && place.z === f.place.z))
  );
}

/** Whether a fault of the starter is pardoned, by itself or with all of its kind. */
export function isPardoned(wanted: Wanted, f: Finding): boolean {
  return wanted.pardons.some((pardon) => isOf(pardon, f));
}

/**
 * Pardons faults of the starter, or lets them be the task.
 *
 * @param all of the starter's faults
 */
export function pardoning(
  wanted: Wanted,
  chosen: readonly Finding[],
  isPardon: boolean,
  all: readonly Finding[],
): Wanted {
  const kinds = new Set(chosen.map((f) => f.kind));
  // A kind that was pardoned as a whole is named one by one from now on.
  const single = all
    .filter((f) => kinds.has(f.kind) && isPardoned(wanted, f) && !chosen.includes(f))
    .map(pardonOf);
  const others = wanted.pardons.filter((pardon) => !kinds.has(pardon.kind));
  const now = isPardon ? [...single, ...chosen.map(pardonOf)] : single;
  return { ...wanted, pardons: [...others, ...now] };
}

/** All of a kind, those that are not listed too. */
export function pardoningKind(wanted: Wanted, kind: string, isPardon: boolean): Wanted {
  const others = wanted.pardons.filter((pardon) => pardon.kind !== kind);
  return { ...wanted, pardons: isPardon ? [...others, { kind, place: null }] : others };
}

function pardonOf(f: Finding): Pardon {
  return { kind: f.kind, place: f.place };
}
