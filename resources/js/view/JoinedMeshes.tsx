import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { DoubleSide } from 'three';
import { api } from '../api/client';
import type { JoinedBody } from '../api/types';
import { useJob } from '../job/useJob';
import { meshGeometry } from './bodyMesh';
import { useShown } from './shown';

/** Chords of a body until a finer one has come, and of that, mm. */
const COARSE = 2;
const FINE = 0.4;

/** The bodies of several runs, over the tubes of these: what is rounded is seen, and runs are picked as before. */
export function JoinedMeshes() {
  const { state } = useJob();
  const isShown = useShown();
  return (state.job.bodies ?? [])
    .filter(({ round, runs }) => round !== undefined && runs.every((run) => isShown('runs', run)))
    .filter(({ id }) => state.bodies.find((one) => one.id === id)?.fault === null)
    .map((body) => <JoinedMesh key={body.id} body={body} />);
}

function JoinedMesh({ body }: { body: JoinedBody }) {
  const coarse = useMesh(body, COARSE);
  const fine = useMesh(body, FINE);
  const mesh = fine ?? coarse;
  const geometry = useMemo(() => (mesh === undefined ? null : meshGeometry(mesh)), [mesh]);
  useEffect(() => () => geometry?.dispose(), [geometry]);
  return geometry === null ? null : (
    <mesh geometry={geometry} raycast={() => null}>
      <meshLambertMaterial color="#8fb2be" side={DoubleSide} polygonOffset polygonOffsetFactor={-1} />
    </mesh>
  );
}

function useMesh({ id }: JoinedBody, chord: number) {
  const { state } = useJob();
  return useQuery({
    queryKey: ['joined', state.id, id, state.revision, chord],
    queryFn: () => api.joinedMesh(state.id, id, chord),
    // What it was, until it is found anew.
    placeholderData: keepPreviousData,
    retry: false,
  }).data;
}
