import type { ThreeElements } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { DoubleSide } from 'three';
import { acceleratedRaycast } from 'three-mesh-bvh';
import type { PlacedBody } from '../api/types';
import { turnOf } from '../job/turnOf';
import { useTriangles } from '../job/useTriangles';
import { BodyEdges, plateGeometry, SIDES } from './BodyEdges';

interface Props {
  body: PlacedBody;
  /** Reported by a ray that hits it. */
  about: { place: string; name: string };
  hand: Partial<ThreeElements['mesh']>;
  look: { colour: string; edge: string; opacity: number };
}

/** One body of a thing, in the frame of the thing. */
export function PlacedBodyMesh({ body, about, hand, look }: Props) {
  const turn = useMemo(() => turnOf(body.pose), [body.pose]);
  const material = (
    <meshLambertMaterial
      color={look.colour}
      transparent={look.opacity < 1}
      opacity={look.opacity}
      depthWrite={look.opacity === 1}
      side={body.shape === 'mesh' ? DoubleSide : undefined}
      polygonOffset
      polygonOffsetFactor={1}
    />
  );
  return (
    <group position={body.pose.at} quaternion={turn}>
      {body.shape === 'mesh' ? (
        <Triangles mesh={body.mesh ?? ''} body={body} about={about} hand={hand} look={look}>
          {material}
        </Triangles>
      ) : (
        <mesh userData={about} rotation={body.shape === 'cylinder' ? [Math.PI / 2, 0, 0] : [0, 0, 0]} {...hand}>
          {body.shape === 'box' ? (
            <boxGeometry args={body.size} />
          ) : body.shape === 'plate' ? (
            <Plate body={body} />
          ) : (
            <cylinderGeometry args={[body.size[0] / 2, body.size[0] / 2, body.size[2], SIDES]} />
          )}
          {material}
          <BodyEdges body={body} colour={look.edge} />
        </mesh>
      )}
    </group>
  );
}

/** A plate of an outline, its thickness to both sides of it. */
function Plate({ body: { outline, size } }: { body: PlacedBody }) {
  const geometry = useMemo(() => plateGeometry(outline ?? [], size[2]), [outline, size]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return <primitive object={geometry} attach="geometry" />;
}

/** An imported mesh; the box of its extent until it is loaded, or where it is missing. */
function Triangles({ mesh, body, about, hand, look, children }: Props & { mesh: string; children: React.ReactNode }) {
  const loaded = useTriangles(mesh);
  if (loaded === null) {
    return (
      <mesh userData={about} {...hand}>
        <boxGeometry args={body.size} />
        <meshBasicMaterial color={look.edge} wireframe />
      </mesh>
    );
  }
  // Its triangles are in the frame of the thing; its pose is that of the centre of its extent.
  const [x, y, z] = body.pose.at;
  return (
    <mesh
      userData={{ ...about, sharp: loaded.sharp }}
      geometry={loaded.geometry}
      position={[-x, -y, -z]}
      raycast={acceleratedRaycast}
      {...hand}
    >
      {children}
      {loaded.edges !== null && (
        <lineSegments geometry={loaded.edges} raycast={() => null}>
          <lineBasicMaterial color={look.edge} />
        </lineSegments>
      )}
    </mesh>
  );
}
