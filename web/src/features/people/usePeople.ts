import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, type Schemas } from '../../api/client';
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
      await client.invalidateQueries({ queryKey: ['mail', course] });
    }
  };
  return { people, problem, change, forgive: () => setProblem(null) };
}

/** So many slips are made at a time; more of them are several sheets. */
const MOST_SLIPS = 500;

/** New slips for people, as sheets to print: those that they had end. */
export async function saveSlips(course: string, people: readonly string[], name: string) {
  for (let i = 0; i < people.length; i += MOST_SLIPS) {
    const sheet = await api.slips(course, people.slice(i, i + MOST_SLIPS));
    saveAs(sheet, people.length > MOST_SLIPS ? `${name}-${i / MOST_SLIPS + 1}.pdf` : `${name}.pdf`);
  }
}

/** Lets the browser keep a file that was made for somebody. */
function saveAs(blob: Blob, name: string) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
