import { useQuery } from '@tanstack/react-query';
import { BufferAttribute, BufferGeometry, EdgesGeometry } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import { api } from '../api/client';

/** Of more triangles than these the edges are neither drawn nor caught: finding them would take seconds. */
const MOST_WITH_EDGES = 120_000;

/** Faces that turn by less than this make no edge, degrees. */
const SHARP = 25;

export interface LoadedMesh {
  geometry: BufferGeometry;
  edges: BufferGeometry | null;
  /** Whether two corners, by their coordinates, are the ends of a sharp edge. */
  sharp: ReadonlySet<string>;
}

export const edgeKey = (a: readonly number[], b: readonly number[]) => {
  const said = [a, b].map((corner) => corner.map((part) => part.toFixed(2)).join());
  return said.sort().join('|');
};

/** The triangles of a mesh that was brought in, ready to draw and to be met by rays; null until they are here. */
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
