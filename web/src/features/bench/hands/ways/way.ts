import type { Change } from '../../../../api/client';
import type { MeshBuffers } from '../../../../mesh/MeshBuffers';
import { verticesOf, type Chosen, type Kind } from '../../useChosen';
import type { Scope } from '../hand';

export type ElementTool =
  'lift' | 'weld' | 'connect' | 'face' | 'cap' | 'slide' | 'move' | 'inset' | 'extrude';
export type Values = Record<string, number>;

/** A number in the slip; with options one of several. */
export interface Field {
  key: string;
  name: string;
  unit?: 'unit' | '%' | '°' | 'x';
  digits?: number;
  options?: readonly string[];
}

export interface Rail {
  first: number;
  towards: number;
}

export interface Context {
  mesh: MeshBuffers;
  scope: Scope;
  rail: Rail | null;
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
