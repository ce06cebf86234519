import { useQuery } from '@tanstack/react-query';
import { BufferAttribute, BufferGeometry, EdgesGeometry } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import { api } from '../api/client';

/** Most triangles of a mesh whose edges are drawn and caught: finding them takes seconds otherwise. */
const MOST_WITH_EDGES = 120_000;

/** Angle between faces from which their edge is drawn, degrees. */
const SHARP = 25;

export interface LoadedMesh {
  geometry: BufferGeometry;
  edges: BufferGeometry | null;
  /** Pairs of corners, by their coordinates, that are the ends of a sharp edge. */
  sharp: ReadonlySet<string>;
}

export const edgeKey = (a: readonly number[], b: readonly number[]) => {
  const said = [a, b].map((corner) => corner.map((part) => part.toFixed(2)).join());
  return said.sort().join('|');
};

/** Returns the triangles of an imported mesh, ready for drawing and ray casts; null until they are loaded. */
export function useTriangles(key: string): LoadedMesh | null {
  const loaded = useQuery({
    queryKey: ['mesh', key],
    queryFn: async () => prepared(await api.triangles(key)),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  return loaded.data ?? null;
}

function prepared(floats: Float32Array): LoadedMesh {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(floats, 3));
  geometry.computeVertexNormals();
  geometry.boundsTree = new MeshBVH(geometry);
  const edges = floats.length / 9 > MOST_WITH_EDGES ? null : new EdgesGeometry(geometry, SHARP);
  const sharp = new Set<string>();
  const ends = edges?.getAttribute('position').array ?? [];
  for (let i = 0; i + 5 < ends.length; i += 6) {
    sharp.add(edgeKey(Array.from(ends.slice(i, i + 3)), Array.from(ends.slice(i + 3, i + 6))));
  }
  return { geometry, edges, sharp };
}
