import { useEffect, useMemo } from 'react';
import { type BufferGeometry, EdgesGeometry } from 'three';
import { mergeVertices } from 'three-stdlib';

/** Angle between faces from which their edge is drawn, degrees. */
const SHARP = 30;

/** The edges of the selected body in brass. */
export function Outlined({ geometry }: { geometry: BufferGeometry }) {
  const edges = useMemo(() => {
    const bare = geometry.clone();
    bare.deleteAttribute('normal');
    bare.deleteAttribute('color');
    return new EdgesGeometry(mergeVertices(bare, 1e-3), SHARP);
  }, [geometry]);
  useEffect(() => () => edges.dispose(), [edges]);
  return (
    <lineSegments geometry={edges} raycast={() => null}>
      <lineBasicMaterial color="#a8741a" />
    </lineSegments>
  );
}
