import type { Schemas } from '../api/client';

/** By which the model is looked at. */
export type Lens =
  | 'clay'
  | 'sides'
  | 'flow'
  | 'poles'
  | 'spacing'
  | 'shape-change'
  | 'stripes'
  | 'subdivided'
  | 'bend';

export type LensPicture = Schemas['LensPicture'];
export type Along = Schemas['Along'];

/** A lens that the core computes: the name by which it is asked for. */
export type ComputedLens = 'flow' | 'poles' | 'spacing' | 'shape-change';

/** The same, and the lens whose picture lies on the smooth surface. */
export type AskedLens = ComputedLens | 'subdivided';

/** A bend, twist or taper that is tried. */
export interface BendSettings {
  way: 'bend' | 'twist' | 'taper';
  along: 'x' | 'y' | 'z';
  towards: 'x' | 'y' | 'z';
  /** Degrees; of a taper the share that one end loses. */
  amount: number;
  /** The share by which an edge's length may change. */
  stretch: number;
  /** How many degrees an edge may turn at once. */
  turn: number;
}

/** Those that say nothing of what the check would say. */
export const SILENT: readonly Lens[] = ['clay', 'stripes', 'subdivided'];

/** The lenses in the order in which they stand; each letter occurs in its word. */
export const LENSES: readonly { lens: Lens; name: string; letter: string; about: string }[] = [
  { lens: 'clay', name: 'Clay', letter: 'C', about: 'The form alone' },
  { lens: 'sides', name: 'Sides', letter: 'S', about: 'Wash faces that are no quads' },
  {
    lens: 'flow',
    name: 'Flow',
    letter: 'F',
    about: 'How loops run round the form, and where they stop',
  },
  { lens: 'poles', name: 'Poles', letter: 'P', about: 'Where other than four edges meet' },
  {
    lens: 'spacing',
    name: 'Spacing',
    letter: 'A',
    about: 'Stretched quads, and where widths jump',
  },
  {
    lens: 'shape-change',
    name: 'Shape change',
    letter: 'H',
    about: 'How far the surface lies from the starter',
  },
  {
    lens: 'stripes',
    name: 'Stripes',
    letter: 'T',
    about: 'A striped room mirrored in the smooth surface',
  },
  {
    lens: 'subdivided',
    name: 'Subdivided',
    letter: 'U',
    about: 'The smooth surface, the cage over it',
  },
  {
    lens: 'bend',
    name: 'Bend',
    letter: 'E',
    about: 'Bend, twist or taper the form for a look, to see where it fails',
  },
];

/** Whether the mesh lies elsewhere than it does: what is pinned to it would hang in the air. */
export function isBent(lens: Lens): boolean {
  return lens === 'bend';
}

export function isComputed(lens: Lens): lens is ComputedLens {
  return lens === 'flow' || lens === 'poles' || lens === 'spacing' || lens === 'shape-change';
}

export function isSmooth(lens: Lens): boolean {
  return lens === 'subdivided' || lens === 'stripes';
}

/** What to do at each lens's letter. */
export function lensKeys(take: (lens: Lens) => void): Record<string, () => void> {
  return Object.fromEntries(LENSES.map((l) => [l.letter.toLowerCase(), () => take(l.lens)]));
}

/** How a tone of the core looks: always by weight, dashes or depth too, never by colour alone. */
export interface ToneLook {
  colour: string;
  /** Of a line, in pixels; of a wash, how much it covers. */
  weight: number;
  dashed?: boolean;
}

const LOOKS: Record<string, ToneLook> = {
  'way-1': { colour: '#10283a', weight: 2.6 },
  'way-2': { colour: '#1f7f9c', weight: 2.6 },
  'way-3': { colour: '#8a5a00', weight: 2.6 },
  'way-4': { colour: '#4a3fa3', weight: 2.6 },
  short: { colour: '#a8390f', weight: 1.7, dashed: true },
  'stops-rings': { colour: '#0b675a', weight: 0.42 },
  mild: { colour: '#b4d3df', weight: 0.55 },
  much: { colour: '#4f93ad', weight: 0.6 },
  over: { colour: '#17506a', weight: 0.72 },
  step: { colour: '#7a5200', weight: 2.4 },
  jump: { colour: '#a8390f', weight: 4.4 },
  // Neither the sea's blue nor the clay's buff, at any depth.
  'depth-1': { colour: '#efdcd0', weight: 0.9 },
  'depth-2': { colour: '#dcb5a8', weight: 0.9 },
  'depth-3': { colour: '#c28d8d', weight: 0.9 },
  'depth-4': { colour: '#9a6373', weight: 0.9 },
  pinch: { colour: '#c79a2b', weight: 0.85 },
  fold: { colour: '#4a3fa3', weight: 0.85 },
  soft: { colour: '#4a6410', weight: 4 },
  stretched: { colour: '#17506a', weight: 4 },
  coarse: { colour: '#c0703f', weight: 0.55 },
};

export function lookOf(tone: string): ToneLook {
  return LOOKS[tone] ?? { colour: '#10283a', weight: 2 };
}
