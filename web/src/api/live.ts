/** What is done with each kind of event. */
export type Heard = Record<string, (content: unknown) => void>;

/**
 * Keeps a line of events open and opens it again where it was lost, after the last that was heard;
 * gives back how to close it.
 *
 * @param after the number of the last event that is known; null: from now on
 */
export function openLine(
  path: string,
  after: () => number | null,
  heard: Heard,
  onLine: (open: boolean) => void = () => undefined,
): () => void {
  let source: EventSource | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let lost: ReturnType<typeof setTimeout> | undefined;
  let last = after();
  const open = () => {
    const mark = path.includes('?') ? '&' : '?';
    source = new EventSource(`/api${path}${last === null ? '' : `${mark}after=${last}`}`);
    source.onopen = () => {
      clearTimeout(lost);
      onLine(true);
    };
    source.onerror = () => {
      // A line that ended by itself is open again in a moment.
      clearTimeout(lost);
      lost = setTimeout(() => onLine(false), LOST_MS);
      // The browser comes back by itself where it may; where it gave up, it is asked to.
      if (source?.readyState === EventSource.CLOSED) {
        source.close();
        timer = setTimeout(open, AGAIN_MS);
      }
    };
    for (const [kind, act] of Object.entries(heard)) {
      source.addEventListener(kind, (e: MessageEvent<string>) => {
        last = Number(e.lastEventId) || last;
        act(JSON.parse(e.data));
      });
    }
  };
  open();
  return () => {
    clearTimeout(timer);
    clearTimeout(lost);
    source?.close();
  };
}

const AGAIN_MS = 3000;
const LOST_MS = 4000;
