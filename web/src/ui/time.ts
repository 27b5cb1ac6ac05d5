/** By whose clock times are told; the browser's where nobody said otherwise. */
let zone: string | undefined;

const made = new Map<string, Intl.DateTimeFormat>();

/** From now on times are told by this clock; null: the browser's. */
export function liveIn(named: string | null) {
  zone = named ?? undefined;
  made.clear();
}

function told(name: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  let format = made.get(name);
  if (!format) {
    format = new Intl.DateTimeFormat('en-GB', { timeZone: zone, ...options });
    made.set(name, format);
  }
  return format;
}

const DAY: Intl.DateTimeFormatOptions = { weekday: 'short', day: 'numeric', month: 'short' };
const TIME: Intl.DateTimeFormatOptions = { hour: '2-digit', minute: '2-digit' };

/** "Fri 27 Nov, 18:00", in the user's zone. */
export function whenText(iso: string): string {
  return told('day and time', { ...DAY, ...TIME }).format(new Date(iso));
}

/**
 * "Fri 4 Dec, 18:00", by a clock on a wall somewhere; where it shows another time than one's own,
 * that stands behind it.
 */
export function wallText(iso: string, wall: string): string {
  const at = new Date(iso);
  const on = (options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat('en-GB', { timeZone: wall, ...options }).format(at);
  const there = on({ ...DAY, ...TIME });
  if (there === whenText(iso)) return there;
  const sameDay = on(DAY) === told('day here', DAY).format(at);
  return `${there} (${sameDay ? clockText(iso) : whenText(iso)} here)`;
}

/** "Sun 6 Dec", of a day without a time: the same in every zone. */
export function dayText(day: string): string {
  return told('day', { ...DAY, timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));
}

/** "just now", "today, 19:34", "Mon 23 Nov": when somebody was here last. */
export function seenText(iso: string, now = new Date()): string {
  const then = new Date(iso);
  if (now.getTime() - then.getTime() < 5 * 60_000) return 'just now';
  const day = told('day here', DAY);
  if (day.format(then) === day.format(now)) return `today, ${clockText(iso)}`;
  return day.format(then);
}

export function clockText(iso: string): string {
  return told('time', TIME).format(new Date(iso));
}

/** "2 d 4 h", "19 h", "35 min": how long something waits. */
export function waitText(iso: string, now = Date.now()): string {
  const minutes = Math.max(0, Math.floor((now - new Date(iso).getTime()) / 60_000));
  if (minutes === 0) return 'under a minute';
  if (minutes < 60) return `${minutes} min`;
  const hours = Math.floor(minutes / 60);
  if (hours < 24) return `${hours} h`;
  return hours % 24 === 0 ? `${hours / 24} d` : `${Math.floor(hours / 24)} d ${hours % 24} h`;
}

export function counted(n: number, one: string, many = `${one}s`): string {
  return `${numberText(n)} ${n === 1 ? one : many}`;
}

/** "1,000,201": whole numbers as people read them. */
export function numberText(n: number): string {
  return n.toLocaleString('en-GB');
}

/** "2.5": at the most two digits behind the point. */
export function creditText(n: number): string {
  return String(Math.round(n * 100) / 100);
}

/** "9,204", "325 k", "3 M": where there is no room for millions. */
export function shortNumber(n: number): string {
  if (n < 10_000) return numberText(n);
  return n < 999_500 ? `${Math.round(n / 1000)} k` : `${Math.round(n / 1e6)} M`;
}

/** "17 Nov", by a clock on a wall somewhere. */
export function wallDay(iso: string, wall: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    timeZone: wall,
    day: 'numeric',
    month: 'short',
  }).format(new Date(iso));
}
