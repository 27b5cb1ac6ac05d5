import type { Change } from '../../../../api/client';
import type { MeshBuffers } from '../../../../mesh/MeshBuffers';
import { verticesOf, type Chosen, type Kind } from '../../useChosen';
import type { Scope } from '../hand';

export const ELEMENT_TOOLS = [
  'meet',
  'lift',
  'weld',
  'connect',
  'face',
  'cap',
  'slide',
  'move',
  'support',
  'inset',
  'extrude',
  'groove',
  'mirror',
  'thicken',
  'pieces',
  'bend',
] as const;

/** The tools that work on chosen elements. */
export type ElementTool = (typeof ELEMENT_TOOLS)[number];
export type Values = Record<string, number>;

/** A number in the slip; with options one of several. */
export interface Field {
  key: string;
  name: string;
  unit?: 'unit' | '%' | '°' | 'x';
  digits?: number;
  options?: readonly string[];
  /** Stands beside those before and after it that have one too. */
  letter?: string;
  /** Its options say little without its name: they stand in a list beside it. */
  isListed?: boolean;
  /** Typed as words, which {@link Context.words} has by its key. */
  isText?: boolean;
  /** Whether it has a say, by the other values; without it always. */
  counts?: (values: Values) => boolean;
}

/** A value that is drawn by the pointer. */
export interface Drawn {
  key: string;
  /** Along the normal of the chosen faces, into a face beside the last chosen edge, along an axis. */
  from: 'normal' | 'edge' | 'axis';
  label: string;
  /** By how much more the value grows than the grip moves; 1 unless set. */
  factor?: number;
  /** Less than 0 has no meaning. */
  isWidth?: boolean;
}

export interface Rail {
  first: number;
  towards: number;
}

export interface Context {
  mesh: MeshBuffers;
  scope: Scope;
  rail: Rail | null;
  /** What is typed as words, by field. */
  words: Readonly<Record<string, string>>;
}

/** One of the things that a clean-up tool does. */
export interface Way {
  id: string;
  name: string;
  /** In a sentence, for the line under the view. */
  does: string;
  /** What kinds of element clicks choose; none where it works on the whole mesh. */
  picks: readonly Kind[];
  fields: readonly Field[];
  initial: (radius: number) => Values;
  missing: (chosen: Chosen, mesh: MeshBuffers, rail: Rail | null) => string | null;
  change: (chosen: Chosen, values: Values, context: Context) => Change | null;
  vertices?: (chosen: Chosen, mesh: MeshBuffers) => number[];
  /** Which value a grip draws, and where from: how far it lies from the chosen, which way. */
  drawn?: Drawn;
  /**
   * With what values what is chosen lies where it is; present where it can be moved, turned and
   * scaled first, by grips too.
   */
  unmoved?: Values;
  /** A key that turns a field of two options over, and what it goes to from either. */
  turns?: { letter: string; field: string; to: readonly [string, string] };
  /** How a slide measures its way. */
  slides?: 'fraction' | 'length' | 'fromEnd';
}

export const NONE = () => ({});
export const never = () => null;

export function atLeast(kind: Kind, count: number, words: string): Way['missing'] {
  return (chosen) => (chosen[kind].length < count ? words : null);
}

export function someVertices(count: number, words: string): Way['missing'] {
  return (chosen, mesh) => (verticesOf(chosen, mesh).length < count ? words : null);
}
