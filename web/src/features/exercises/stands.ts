import type { Schemas } from '../../api/client';

type Stand = Schemas['AssignmentView']['stand'];

const WORDS: Record<Stand, string> = {
  planned: 'planned: students do not see it yet',
  open: 'open: students see it and hand in',
  closed: 'closed: students see it and hand nothing in',
};

export function standWord(stand: Stand): string {
  return WORDS[stand];
}
