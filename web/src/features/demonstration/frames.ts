import type { Frame } from '../../api/client';

/** What a frame shows, in a few words. */
export function titleOf(frame: Frame): string {
  if (frame.kind === 'question') return 'Question';
  return frame.brief ? `${frame.title}, ${frame.brief}` : frame.title;
}

/** Its number for people: the starter has none. */
export function numberOf(frames: readonly Frame[], at: number): number {
  return frames.slice(1, at + 1).length;
}
