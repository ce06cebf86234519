import { Canvas } from '@react-three/fiber';
import { Focus, Maximize } from 'lucide-react';
import { useMemo, useRef } from 'react';
import { IconButton } from '../ui/IconButton';
import { type Stage, useWorkbench } from '../workbench/store';
import { JobContext, useJob } from '../workbench/useJob';
import { CameraRig } from './CameraRig';
import { CornerHandles } from './CornerHandles';
import { boundsOf, useCamera } from './camera';
import { FloorGrid } from './FloorGrid';
import { useHover } from './hover';
import { PlacedMesh } from './PlacedMesh';
import { Rose } from './Rose';
import { RunMesh } from './RunMesh';

/** The 3D scene. Draws when something changes, and only then. */
export function View({ stage }: { stage: Stage }) {
  const access = useJob();
  const zoomTo = useCamera((store) => store.zoomTo);
  const holder = useRef<HTMLElement>(null);
  return (
    <section className="view" aria-label="View" ref={holder}>
      <Canvas
        orthographic
        flat
        frameloop="demand"
        camera={{ up: [0, 0, 1], position: [2000, -3000, 2500], zoom: 0.3, near: 1, far: 20000 }}
        onPointerMissed={() => useHover.getState().setHover(null)}
      >
        <JobContext value={access}>
          <Scene stage={stage} />
        </JobContext>
      </Canvas>
      <HoverTag />
      <div className="view-tools">
        <IconButton icon={Maximize} name="Show everything" onClick={() => zoomTo('all')} />
        <IconButton icon={Focus} name="Zoom to what is picked" onClick={() => zoomTo('picked')} />
      </div>
      <Rose />
    </section>
  );
}

function Scene({ stage }: { stage: Stage }) {
  const { state, items, item, solution } = useJob();
  const { hidden, picked } = useWorkbench();
  const all = useMemo(() => boundsOf(state.places, state.solutions), [state.places, state.solutions]);
  const chosen = useMemo(() => {
    if (picked === null) {
      return null;
    }
    const places = state.places.filter((place) => place.list === picked.list && place.id === picked.id);
    const runs = state.solutions.filter((run) => picked.list === 'runs' && run.id === picked.id);
    return places.length + runs.length === 0 ? null : boundsOf(places, runs);
  }, [picked, state.places, state.solutions]);
  return (
    <>
      <ambientLight intensity={1.7} />
      <directionalLight position={[2, -3, 5]} intensity={1.5} />
      <directionalLight position={[-3, 2, 1]} intensity={0.5} />
      <FloorGrid box={all} />
      {state.places
        .filter((place) => !hidden.has(`${place.list}/${place.id}`))
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
        return solved === undefined || hidden.has(`runs/${run.id}`) ? null : (
          <RunMesh key={run.id} run={run} solved={solved} />
        );
      })}
      {stage === 'lay' && picked?.list === 'runs' && !hidden.has(`runs/${picked.id}`) && (
        <CornerHandles run={picked.id} />
      )}
      <CameraRig all={all} picked={chosen} />
    </>
  );
}

function HoverTag() {
  const hover = useHover((store) => store.hover);
  if (hover === null) {
    return null;
  }
  return (
    <div className="hover-tag" style={{ left: hover.x, top: hover.y }}>
      <div className="what">{hover.title}</div>
      {hover.text !== '' && <div className="mono">{hover.text}</div>}
      {hover.held !== undefined && <div className="held">{hover.held}</div>}
    </div>
  );
}
