import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { asProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';

export type PeopleData = Schemas['PeopleView'];
export type Person = Schemas['PersonView'];
export type Group = Schemas['GroupView'];

export type PeopleControl = ReturnType<typeof usePeople>;

/** Who is in a class, and what is done about it: each change is looked up again at once. */
export function usePeople(course: string) {
  const people = useQuery(queries.people(course));
  const client = useQueryClient();
  const [problem, setProblem] = useState<string | null>(null);
  const change = async (work: () => Promise<unknown>): Promise<boolean> => {
    setProblem(null);
    try {
      await work();
      return true;
    } catch (e) {
      setProblem(asProblem(e).message);
      return false;
    } finally {
      await client.invalidateQueries({ queryKey: ['people', course] });
      await client.invalidateQueries({ queryKey: ['me'] });
    }
  };
  return { people, problem, change, forgive: () => setProblem(null) };
}

/** Lets the browser keep a file that was made for somebody. */
export function saveAs(blob: Blob, name: string) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
