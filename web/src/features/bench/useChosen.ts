import { counted } from '../../ui/time';
import { useState } from 'react';
import { api, asProblem, type ApiProblem, type Schemas } from '../../api/client';
import type { MeshBuffers } from '../../mesh/MeshBuffers';
import type { Picked } from '../../stage/pick';
import type { OpenWorkpiece } from './useWorkpiece';

export type Way = Schemas['Way'];
export type Kind = 'faces' | 'edges' | 'vertices';

/** Chosen elements, each kind in the order in which they were chosen. */
export interface Chosen {
  faces: readonly number[];
  edges: readonly number[];
  vertices: readonly number[];
}

export const NOTHING: Chosen = { faces: [], edges: [], vertices: [] };

export function isEmpty(chosen: Chosen): boolean {
  return chosen.faces.length + chosen.edges.length + chosen.vertices.length === 0;
}

/** What is chosen with an element put in, or taken out if it was. */
export function toggled(chosen: Chosen, kind: Kind, id: number): Chosen {
  const list = chosen[kind];
  const next = list.includes(id) ? list.filter((i) => i !== id) : [...list, id];
  return { ...chosen, [kind]: next };
}

export function kindOf(picked: Picked): Kind {
  return picked.on === 'face' ? 'faces' : picked.on === 'edge' ? 'edges' : 'vertices';
}

/** The vertices that chosen elements stand for, in order. */
export function verticesOf(chosen: Chosen, mesh: MeshBuffers): number[] {
  const found = new Set(chosen.vertices);
  for (const e of chosen.edges) if (mesh.hasEdge(e)) mesh.ends(e).forEach((v) => found.add(v));
  for (const f of chosen.faces) if (mesh.hasFace(f)) mesh.corners(f).forEach((v) => found.add(v));
  return [...found];
}

function alive(chosen: Chosen, mesh: MeshBuffers): Chosen {
  return {
    faces: chosen.faces.filter((f) => mesh.hasFace(f)),
    edges: chosen.edges.filter((e) => mesh.hasEdge(e)),
    vertices: chosen.vertices.filter((v) => v < mesh.vertexEnd && mesh.shown[v]),
  };
}

/** What is chosen and what is hidden on the bench, and how both limit a cut. */
export function useChosen({ state, mesh, version }: OpenWorkpiece) {
  const [kept, setKept] = useState<Chosen>(NOTHING);
  const [hidden, setHidden] = useState<readonly number[]>([]);
  const [limited, setLimited] = useState(false);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [seen, setSeen] = useState({ version, revision: state.revision });

  // A step may have taken elements out, and may say what is chosen after it.
  if (seen.version !== version || seen.revision !== state.revision) {
    setSeen({ version, revision: state.revision });
    const left = alive(kept, mesh);
    setKept(state.chosen.length > 0 ? { ...NOTHING, faces: state.chosen } : left);
    setHidden(hidden.filter((f) => mesh.hasFace(f)));
  }

  const go = async (way: Way) => {
    const from = {
      faces: [...kept.faces],
      edges: [...kept.edges],
      vertices: [...kept.vertices],
    };
    try {
      setKept(await api.choose(state.id, state.revision, way, from));
      setProblem(null);
    } catch (e) {
      setProblem(asProblem(e));
    }
  };

  const scope: Schemas['Scope'] = {
    chosen: limited && kept.faces.length > 0 ? [...kept.faces] : null,
    hidden: [...hidden],
  };

  return {
    chosen: kept,
    choose: setKept,
    hidden,
    limited,
    setLimited,
    scope,
    go,
    /** Why nothing else could be chosen, the last time. */
    problem,
    clear: () => setKept(NOTHING),
    invert: () => setKept({ ...NOTHING, faces: othersOf(kept.faces, mesh) }),
    hide: () => {
      setHidden([...new Set([...hidden, ...kept.faces])]);
      setKept(NOTHING);
    },
    showAll: () => setHidden([]),
    /** Hides these as well, or shows them again; what is hidden is not chosen. */
    veil: (faces: readonly number[], isHidden: boolean) => {
      const these = new Set(faces);
      const others = hidden.filter((f) => !these.has(f));
      setHidden(isHidden ? [...others, ...faces] : others);
      if (isHidden) setKept({ ...kept, faces: kept.faces.filter((f) => !these.has(f)) });
    },
    /** Hides all but these. */
    showOnly: (faces: readonly number[]) => {
      const these = new Set(faces);
      setHidden(othersOf(faces, mesh));
      setKept({ ...NOTHING, faces: kept.faces.filter((f) => these.has(f)) });
    },
  };
}

/** All faces but some. */
export function othersOf(faces: readonly number[], mesh: MeshBuffers): number[] {
  const set = new Set(faces);
  const others = [];
  for (let f = 0; f < mesh.faceEnd; f++) if (mesh.hasFace(f) && !set.has(f)) others.push(f);
  return others;
}

export type ChosenControl = ReturnType<typeof useChosen>;

/** What is chosen, in words. */
export function chosenText(chosen: Chosen, picks: readonly Kind[]): string {
  const names = { faces: 'face', edges: 'edge', vertices: 'vertex' } as const;
  const told = picks
    .filter((kind) => chosen[kind].length > 0)
    .map((kind) =>
      kind === 'vertices'
        ? counted(chosen.vertices.length, 'vertex', 'vertices')
        : counted(chosen[kind].length, names[kind]),
    );
  return told.length ? `${told.join(', ')} chosen` : 'Nothing chosen yet';
}
