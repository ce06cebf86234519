import type { ThreeEvent } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { DoubleSide } from 'three';
import type { Run, SolvedRun, Stock } from '../api/types';
import { useHover } from '../job/hover';
import { useLaying } from '../job/laying';
import type { Piece } from '../job/layout';
import { usePointing } from '../job/pointing';
import { usePreferences } from '../job/preferences';
import { isSamePart, type Stage, useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useUpTo } from '../job/upTo';
import { useJob } from '../job/useJob';
import { useShownService } from '../job/useService';
import { useWires } from '../job/wires';
import { Bands } from './Bands';
import { bodyGeometry } from './bodyMesh';
import { cutShort } from './cutShort';
import { EndPlates } from './EndPlates';
import { Halo } from './Halo';
import { Outlined } from './Outlined';
import { Repeats } from './Repeats';
import { pieceAt, tubeGeometry } from './tube';
import { useBundle } from './useBundle';

/** A run that does not say what it carries, where runs are shown by that. */
const UNTOLD = '#c4c9c6';

const METALS = ['#8fb2be', '#9db3bb', '#c08a5c', '#a3adb0', '#c79a72', '#b5b09a'];

/** Rubber and sheaths are darker than metal; the kind is told by its name, not by its colour. */
const LOOKS: Partial<Record<Stock['kind'], readonly string[]>> = {
  hose: ['#59666c', '#6d6a63', '#4c5c66'],
  cable: ['#7a5a3c', '#4f6470', '#6b5566', '#5d6b4c'],
  wire: ['#b98552', '#a8593f', '#8a7a3e'],
  bundle: ['#4b4f52', '#5a5148', '#47545c'],
};

/** A run at its true diameter, hollow where it is; each piece can be selected and hovered. */
export function RunMesh({ run, solved: whole, stage }: { run: Run; solved: SolvedRun; stage: Stage }) {
  const { item, items, lay, state } = useJob();
  const { picked, pick, pointed, point } = useWorkbench();
  const pointing = usePointing((store) => store.pointing !== null);
  const laying = useLaying((store) => store.start !== null || store.choosing) || pointing;
  const setHover = useHover((store) => store.setHover);
  const stock = item('stock', run.stock);
  const od = state.stocks[run.stock]?.od ?? 10;
  const isPicked = picked?.list === 'runs' && picked.id === run.id;
  const part = isPicked ? picked.part : null;
  const hovered = pointed?.run === run.id ? pointed.part : null;
  const looks = LOOKS[stock?.kind ?? 'tube'] ?? METALS;
  const number = items('stock').findIndex((other) => other.id === run.stock);
  const service = useShownService(run);
  const byService = usePreferences((store) => store.byService);
  const material = looks[Math.max(0, number) % looks.length] ?? '#8fb2be';
  const metal = byService ? (service?.colour ?? UNTOLD) : material;

  const upTo = useUpTo((store) => (store.run === run.id && store.length < whole.length ? store.length : null));
  const solved = useMemo(() => (upTo === null ? whole : cutShort(whole, upTo)), [whole, upTo]);
  const bundle = useBundle(run.id);
  const stretches = useMemo(
    () =>
      bundle ??
      whole.body.tube.map(({ from, to, stock: own }) => ({
        from,
        to,
        od: state.stocks[own]?.od ?? 10,
        bore: state.stocks[own]?.bore ?? 0,
      })),
    [whole, state.stocks, bundle],
  );
  const tube = useMemo(() => {
    const colours = { base: metal, broken: '#bc2f26', picked: '#d99a2b', bore: '#4c5b60' };
    const isLit = (piece: Piece) => isSamePart(piece.part, part) || isSamePart(piece.part, hovered);
    return solved.body.mesh == null || bundle !== null
      ? tubeGeometry(solved, stretches, colours, isLit)
      : bodyGeometry(whole, solved.body.mesh, colours, isLit, upTo ?? undefined);
  }, [solved, whole, upTo, stretches, bundle, metal, part, hovered]);
  useEffect(() => () => tube.geometry.dispose(), [tube]);

  const name = run.name ?? run.id;
  const onMove = (event: ThreeEvent<PointerEvent>) => {
    event.stopPropagation();
    if (laying) {
      return;
    }
    const piece = pieceAt(tube, event.faceIndex ?? 0);
    const where = piece === null ? '' : 'bend' in piece.part ? `bend ${piece.part.bend + 1}` : `leg ${piece.part.leg}`;
    point({ run: run.id, part: piece?.part ?? null });
    setHover({
      title: name,
      rows: where === '' ? [] : [[where, item('stock', run.stock)?.name ?? run.stock]],
      x: event.nativeEvent.offsetX,
      y: event.nativeEvent.offsetY,
    });
  };
  const onOut = () => {
    setHover(null);
    point(null);
  };
  const onClick = (event: ThreeEvent<MouseEvent>) => {
    if (event.delta > 4 || laying) {
      return;
    }
    event.stopPropagation();
    pick('runs', run.id, isPicked ? (pieceAt(tube, event.faceIndex ?? 0)?.part ?? null) : null);
  };

  const onDoubleClick = (event: ThreeEvent<MouseEvent>) => {
    if (isPicked && !laying && stage === 'lay' && run.route.kind === 'flow') {
      event.stopPropagation();
      tell(lay(run.id, { do: 'insert-point', at: event.point.toArray() }));
      return;
    }
    const hit = pieceAt(tube, event.faceIndex ?? 0)?.part;
    if (isPicked && !laying && stage === 'lay' && hit !== undefined && 'leg' in hit) {
      event.stopPropagation();
      tell(lay(run.id, { do: 'insert-corner', vertex: hit.leg }));
    }
  };

  const inside = useWires((store) => store.inside);
  if (inside && bundle !== null) {
    // Its wires are drawn in its place.
    return isPicked ? <Halo solved={solved} stretches={stretches} /> : null;
  }
  return (
    <group>
      <mesh
        geometry={tube.geometry}
        onClick={onClick}
        onDoubleClick={onDoubleClick}
        onPointerMove={onMove}
        onPointerOut={onOut}
      >
        <meshLambertMaterial vertexColors side={DoubleSide} />
      </mesh>
      {service !== null && <Bands solved={solved} stretches={stretches} count={Number(service.bands ?? 0)} />}
      <Repeats solved={solved} od={od} />
      {solved.body.mesh == null ? (
        <>
          {isPicked && <Halo solved={solved} stretches={stretches} />}
          <EndPlates run={run} solved={solved} whole={whole} stretches={stretches} colour={metal} upTo={upTo} />
        </>
      ) : (
        isPicked && <Outlined geometry={tube.geometry} />
      )}
    </group>
  );
}
