/** What findings are about, in the order of a report. */
export const FAMILIES = ['Sides', 'Vertices', 'Surface', 'Flow', 'Support', 'Shape'];

/** What kinds of finding are called, many of one kind. */
export const KIND_NAMES: Record<string, string> = {
  ngon: 'N-gons left behind',
  triangle: 'Triangles',
  'flat-corner': 'Straight corners',
  'all-triangles': 'Triangulated meshes',
  'idle-vertex': 'Idle vertices',
  'bent-vertex': 'Bends where 2 edges meet',
  double: 'Vertices in one place',
  seam: 'Seams left open',
  touching: 'T-junctions',
  'short-edge': 'Edges too short',
  slit: 'Slits in faces',
  'loose-vertex': 'Loose vertices',
  'loose-edge': 'Loose edges',
  'idle-loop': 'Loops that do nothing',
  border: 'Open borders',
  'crowded-edge': 'Crowded edges',
  'bow-tie': 'Surfaces touching in a vertex',
  flipped: 'Faces turned over',
  'inside-out': 'Parts inside out',
  'repeated-corner': 'Repeated corners',
  'unreadable-face': 'Faces left out',
  'no-place': 'Vertices without a place',
  'twin-face': 'Faces in one place',
  'inner-face': 'Faces inside the form',
  'no-area': 'Faces without area',
  sliver: 'Slivers',
  concave: 'Concave faces',
  warped: 'Warped faces',
  folded: 'Surfaces folded back',
  crossing: 'Faces that cross',
  parts: 'Another number of parts',
  'ring-stop': 'Rings that stop',
  'loop-end': 'Loops that end',
  'dead-end': 'Cuts that end nowhere',
  pole: 'Poles',
  spiral: 'Spirals',
  jump: 'Widths that jump',
  stretched: 'Stretched quads',
  askew: 'Edges askew to the bend',
  'soft-edge': 'Hard edges that go soft',
  pinch: 'Pinches when smooth',
  tight: 'Support strips too tight',
  'no-collar': 'Outlines without a collar',
  placed: 'Meshes that lie elsewhere',
  moved: 'Shapes that moved',
  'one-sided': 'Lines that do not come round',
  'off-line': 'Cuts off their line',
  'too-many': 'Too many faces',
  lopsided: 'Halves that are not alike',
};

const RULE_NAMES: Record<string, string> = {
  ngon: 'N-gons that are not flat',
  'ngon-flat': 'N-gons that are flat',
  triangle: 'Triangles, stray and in pairs',
  'triangle-fan': 'Triangles in a fan',
  'short-edge': 'Edges within the weld distance',
  'short-edge-beside': 'Edges short beside others',
  'pole-many': 'Poles where 6 edges or more meet',
  'pole-new': 'New poles on smooth ground',
};

/** What a rule of a check profile is called. */
export function ruleName(rule: { key: string; kind: string }): string {
  return RULE_NAMES[rule.key] ?? KIND_NAMES[rule.kind] ?? rule.key;
}

/** Where what a kind is called in a list of rules does not do for so many of it. */
const COUNTED: Record<string, string> = {
  ngon: 'N-gons',
  double: 'Vertices in one place',
  seam: 'Seams',
  moved: 'Places that moved',
};

interface Found {
  kind: string;
  title: string;
}

/**
 * Findings of one kind in a line: how many, and the worst, which comes first: "8 n-gons, each 5
 * sides, flat".
 */
export function summary(found: readonly Found[]): string {
  const [worst] = found;
  if (!worst) return '';
  if (found.length === 1) return worst.title;
  const name = lowered(manyOf(worst.kind));
  const many = `${found.length.toLocaleString('en')} ${name}`;
  // By their beginnings: one vertex, two vertices.
  const words = lowered(worst.title).split(/[ ,]+/);
  const begins = words.map((word) => (word.length > 4 ? word.slice(0, -2) : word));
  if (begins.every((word) => name.includes(word))) return many;
  const alike = found.every((f) => f.title === worst.title);
  return `${many}, ${alike ? 'each' : 'the worst'}: ${lowered(worst.title)}`;
}

/** What many findings of a kind are called in a list: "N-gons". */
export function manyOf(kind: string): string {
  return COUNTED[kind] ?? KIND_NAMES[kind] ?? kind;
}

/** Within a sentence. */
export function lowered(title: string): string {
  return title.charAt(0).toLowerCase() + title.slice(1);
}
