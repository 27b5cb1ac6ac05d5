import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import type { Schemas } from '../api/client';
import { queries } from '../api/queries';

export type Membership = Schemas['Membership'];

const NAME = 'fair-edge-class';
const listeners = new Set<() => void>();

function subscribe(told: () => void) {
  listeners.add(told);
  return () => listeners.delete(told);
}

/** From now on this class is the one at hand, in this browser. */
export function chooseCourse(id: string | null) {
  if (id) localStorage.setItem(NAME, id);
  else localStorage.removeItem(NAME);
  listeners.forEach((told) => told());
}

/** The class at hand: the one that was chosen last, else the first that is not put away. */
export function useCourse(): { course: Membership | null; courses: readonly Membership[] } {
  const { data: me } = useQuery(queries.me());
  const chosen = useSyncExternalStore(subscribe, () => localStorage.getItem(NAME));
  const courses = me?.memberships ?? [];
  const course =
    courses.find((m) => m.courseId === chosen) ?? courses.find((m) => !m.putAway) ?? courses[0];
  return { course: course ?? null, courses };
}

/** Whether whoever is signed in may make classes and exercises. */
export function useMayTeach(): boolean {
  return useQuery(queries.me()).data?.mayTeach === true;
}

/** Whether somebody sees what all in a class do. */
export function seesAll(m: Membership): boolean {
  return m.role !== 'student';
}

/** The class at hand of those in which one sees all; null where there is one alone. */
export function useTaught(): string | null {
  const { course, courses } = useCourse();
  const several = courses.filter(seesAll).length > 1;
  return several && course && seesAll(course) ? course.courseId : null;
}
