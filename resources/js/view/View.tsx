import { Canvas } from '@react-three/fiber';
import { Fragment, useMemo, useRef } from 'react';
import { useHover } from '../job/hover';
import { useLaying } from '../job/laying';
import { usePieces } from '../job/pieces';
import { usePointing } from '../job/pointing';
import { useSectionPlane } from '../job/sectionPlane';
import { type Stage, useWorkbench } from '../job/store';
import { JobContext, useJob } from '../job/useJob';
import { BodyNotices } from './BodyNotices';
import { CameraRig } from './CameraRig';
import { boundsOf, withRoom } from './camera';
import { Envelope } from './Envelope';
import { FloorGrid } from './FloorGrid';
import { Ghosts } from './Ghosts';
import { HoverTag } from './HoverTag';
import { JoinedMeshes, WallMesh } from './JoinedMeshes';
import { Legend } from './Legend';
import { LayingBar } from './laying/LayingBar';
import { LayingScene } from './laying/LayingScene';
import { LayingTag } from './laying/LayingTag';
import { MeasureBar } from './measure/MeasureBar';
import { MeasureScene } from './measure/MeasureScene';
import { NearLine, NearMark } from './NearMark';
import { NudgeHandles } from './NudgeHandles';
import { PinBoard } from './Pinned';
import { PlacedMesh } from './PlacedMesh';
import { PlaceHandles } from './PlaceHandles';
import { PointHandles } from './PointHandles';
import { PiecesScene } from './pieces/PiecesScene';
import { PointingBar } from './pointing/PointingBar';
import { PointingScene } from './pointing/PointingScene';
import { RemarkPins } from './RemarkPins';
import { Rose } from './Rose';
import { RunHandles } from './RunHandles';
import { RunMesh } from './RunMesh';
import { SettlingLine } from './SettlingLine';
import { SectionBar } from './section/SectionBar';
import { SectionScene } from './section/SectionScene';
import { useShown } from './shown';
import { useViewKeys } from './useViewKeys';
import { ViewTools } from './ViewTools';
import { WallScale } from './WallScale';
import { KeepOuts } from './ways/KeepOuts';
import { WayLines } from './ways/WayLines';
import { WaysPanel } from './ways/WaysPanel';
import { FollowedWire } from './wires/FollowedWire';
import { InsideTrunks } from './wires/InsideTrunks';
import { WireLegend } from './wires/WireLegend';

/** The 3D scene. It renders only when something changes. */
export function View({ stage }: { stage: Stage }) {
  const access = useJob();
  const holder = useRef<HTMLElement>(null);
  const pointing = usePointing((store) => store.pointing !== null);
  const laying = useLaying((store) => store.start !== null) || pointing;
  const onKeyDown = useViewKeys();
  return (
    <section
      className={`view${laying ? ' laying' : ''}`}
      aria-label="View"
      ref={holder}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: keys turn, pan and zoom it
      tabIndex={0}
      onKeyDown={onKeyDown}
    >
      <Canvas
        orthographic
        flat
        frameloop="demand"
        camera={{ up: [0, 0, 1], position: [2000, -3000, 2500], zoom: 0.3, near: 1, far: 20000 }}
        onPointerMissed={() => useHover.getState().setHover(null)}
        onCreated={({ gl }) => {
          // With the check, three.js waits until each shader is compiled.
          gl.debug.checkShaderErrors = import.meta.env.DEV;
        }}
      >
        <JobContext value={access}>
          <PinBoard value={holder}>
            <Scene stage={stage} />
          </PinBoard>
        </JobContext>
      </Canvas>
      <HoverTag />
      <LayingTag />
      <ViewTools stage={stage} />
      {stage === 'lay' && <LayingBar />}
      {stage === 'lay' && <WaysPanel />}
      <PointingBar />
      <SectionBar />
      <MeasureBar />
      <Legend />
      <WireLegend />
      <WallScale />
      <BodyNotices />
      <Rose />
    </section>
  );
}

/** The handles of the selected run: its corners, its points, or those of its shape. */
function Handles({ run: id }: { run: string }) {
  const { item } = useJob();
  const run = item('runs', id);
  switch (run?.route.kind) {
    case 'flow':
      return <PointHandles run={run} />;
    case 'drape':
      return <NudgeHandles run={run} />;
    default:
      return <RunHandles run={id} />;
  }
}

function Scene({ stage }: { stage: Stage }) {
  const { state, items, item, solution, places } = useJob();
  const picked = useWorkbench((store) => store.picked);
  const pointing = usePointing((store) => store.pointing !== null);
  const laying = useLaying((store) => store.start !== null || store.choosing) || pointing;
  const joining = usePieces((store) => store.pieces !== null);
  const isCut = useSectionPlane((store) => store.run !== null);
  const isShown = useShown();
  const film = useWorkbench((store) => store.film);
  const moving = picked?.list === 'runs' ? solution(picked.id) : undefined;
  const movingRun = picked?.list === 'runs' ? item('runs', picked.id) : undefined;
  const all = useMemo(() => {
    const box = boundsOf(state.places, state.solutions);
    return state.solutions.length === 0 ? withRoom(box) : box;
  }, [state.places, state.solutions]);
  const chosen = useMemo(() => {
    if (picked === null) {
      return null;
    }
    const own = state.places.filter((place) => place.list === picked.list && place.id === picked.id);
    const runs = state.solutions.filter((run) => picked.list === 'runs' && run.id === picked.id);
    return own.length + runs.length === 0 ? null : boundsOf(own, runs);
  }, [picked, state.places, state.solutions]);
  return (
    <>
      <ambientLight intensity={1.7} />
      <directionalLight position={[2, -3, 5]} intensity={1.5} />
      <directionalLight position={[-3, 2, 1]} intensity={0.5} />
      <FloorGrid box={all} />
      {places
        .filter((place) => isShown(place.list, place.id))
        .map((place) => (
          <PlacedMesh
            key={`${place.list}/${place.id}`}
            place={place}
            name={item(place.list, place.id)?.name ?? place.id}
            stage={stage}
          />
        ))}
      {items('runs').map((run) => {
        const solved = solution(run.id);
        return solved === undefined || !isShown('runs', run.id) ? null : (
          <Fragment key={run.id}>
            <RunMesh run={run} solved={solved} stage={stage} />
            {solved.settling === true && <SettlingLine run={run} solved={solved} />}
          </Fragment>
        );
      })}
      {!isCut && <JoinedMeshes />}
      {!isCut && <WallMesh />}
      <FollowedWire />
      <InsideTrunks />
      {film && moving?.movement != null && movingRun !== undefined && (
        <Envelope run={movingRun} movement={moving.movement} />
      )}
      {stage === 'lay' && !laying && !joining && !isCut && picked?.list === 'runs' && isShown('runs', picked.id) && (
        <Handles run={picked.id} />
      )}
      {stage === 'place' &&
        !pointing &&
        picked !== null &&
        picked.list !== 'runs' &&
        picked.list !== 'stock' &&
        picked.list !== 'harnesses' && <PlaceHandles list={picked.list} id={picked.id} />}
      {stage === 'lay' && <LayingScene />}
      <PointingScene />
      <PiecesScene />
      <SectionScene />
      <MeasureScene />
      <NearMark />
      <Ghosts />
      {stage === 'check' && <RemarkPins />}
      {stage === 'lay' && <WayLines />}
      {(stage === 'lay' || stage === 'place') && <KeepOuts />}
      <NearLine />
      <CameraRig all={all} picked={chosen} />
    </>
  );
}
