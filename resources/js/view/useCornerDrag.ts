import { useThree } from '@react-three/fiber';
import type { PointerEvent as HandPointerEvent } from 'react';
import { Vector3 } from 'three';
import type { OrbitControls } from 'three-stdlib';
import { api, Refused } from '../api/client';
import type { Finding, Preview, SolvedRun } from '../api/types';
import { direction, show } from '../ui/format';
import { useWorkbench } from '../workbench/store';
import { tell } from '../workbench/tell';
import { useJob } from '../workbench/useJob';
import { useHover } from './hover';

/** A line a corner may be dragged along, and how many pixels of the screen a millimetre along it is. */
interface Track {
  name: string;
  along: Vector3;
  screen: { x: number; y: number };
}

/** Pixels to move before a track is chosen. */
const RELUCTANCE = 6;

/** Corners move in whole millimetres; finer is typed. */
const STEP = 1;

/** Drags a corner along an axis or one of its legs, with the run following, and holds it at the limit. */
export function useCornerDrag(run: string) {
  const { state, solution, lay } = useJob();
  const { camera, size, controls, gl } = useThree();

  return (vertex: number, down: HandPointerEvent) => {
    const start = solution(run);
    const corner = start?.vertices[vertex];
    if (start === undefined || corner === undefined) {
      return;
    }
    const project = (point: Vector3) => {
      const seen = point.clone().project(camera);
      return { x: (seen.x * size.width) / 2, y: (-seen.y * size.height) / 2 };
    };
    const tracks = tracksAt(start, vertex, project);
    const canvas = gl.domElement.getBoundingClientRect();
    const origin = { x: down.clientX, y: down.clientY };
    const offset = { x: -canvas.left, y: -canvas.top };
    const orbit = controls as OrbitControls | null;
    const { setDragged } = useWorkbench.getState();
    const { setHover } = useHover.getState();
    let track: Track | null = null;
    let wanted = 0;
    let past = false;
    let kept = 0;
    let asking = false;
    let over = false;

    const by = (distance: number): [number, number, number] =>
      (track?.along.clone().multiplyScalar(distance).toArray() ?? [0, 0, 0]) as [number, number, number];
    const preview = (distance: number): Promise<Preview> =>
      api.preview(state.id, run, { do: 'move-corner', vertex, by: by(distance) });

    const accept = (distance: number, solved: SolvedRun, held: string | null) => {
      kept = distance;
      setDragged({ run, solution: solved, held });
      setHover({
        title: `Along ${track?.name ?? ''}`,
        text: `${show(distance)} mm · length ${show(solved.length)}`,
        held: held ?? undefined,
        x: pointer.x + offset.x,
        y: pointer.y + offset.y,
      });
    };
    const pointer = { ...origin };

    // One question at a time, always the newest; what breaks a rule is approached by halves from what did not.
    const follow = async () => {
      if (asking) {
        return;
      }
      asking = true;
      try {
        while (!over && wanted !== kept) {
          const target = wanted;
          const { solution: solved } = await preview(target);
          const broken = past ? null : newlyBroken(start, solved);
          if (broken === null) {
            accept(target, solved, null);
            continue;
          }
          let [good, bad] = [kept, target];
          let best: SolvedRun | null = null;
          while (!over && Math.abs(bad - good) > STEP) {
            const middle = Math.round((good + bad) / 2 / STEP) * STEP;
            const tried = (await preview(middle)).solution;
            if (newlyBroken(start, tried) === null) {
              good = middle;
              best = tried;
            } else {
              bad = middle;
            }
          }
          const standing = best ?? useWorkbench.getState().dragged?.solution ?? start;
          accept(good, standing, `held: ${broken.title}. Alt goes past.`);
          if (wanted === target) {
            break;
          }
        }
      } catch (error) {
        if (error instanceof Refused) {
          setHover({
            title: `Corner ${vertex}`,
            text: '',
            held: error.message,
            x: pointer.x + offset.x,
            y: pointer.y + offset.y,
          });
        }
      } finally {
        asking = false;
      }
    };

    const onMove = (event: PointerEvent) => {
      pointer.x = event.clientX;
      pointer.y = event.clientY;
      const moved = { x: event.clientX - origin.x, y: event.clientY - origin.y };
      if (track === null && Math.hypot(moved.x, moved.y) > RELUCTANCE) {
        track = best(tracks, moved);
      }
      if (track !== null) {
        const { x, y } = track.screen;
        wanted = Math.round((moved.x * x + moved.y * y) / (x * x + y * y) / STEP) * STEP;
        past = event.altKey;
        void follow();
      }
    };
    const stop = () => {
      over = true;
      window.removeEventListener('pointermove', onMove);
      window.removeEventListener('pointerup', onUp);
      window.removeEventListener('keydown', onKey);
      if (orbit !== null) {
        orbit.enabled = true;
      }
      setHover(null);
    };
    const onUp = () => {
      stop();
      if (kept === 0) {
        setDragged(null);
        return;
      }
      tell(lay(run, { do: 'move-corner', vertex, by: by(kept) }).finally(() => setDragged(null)));
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape') {
        stop();
        setDragged(null);
      }
    };

    if (orbit !== null) {
      orbit.enabled = false;
    }
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp);
    window.addEventListener('keydown', onKey);
  };
}

function tracksAt(run: SolvedRun, vertex: number, project: (point: Vector3) => { x: number; y: number }): Track[] {
  const at = new Vector3(...(run.vertices[vertex] ?? [0, 0, 0]));
  const directions = [new Vector3(1, 0, 0), new Vector3(0, 1, 0), new Vector3(0, 0, 1)];
  for (const neighbour of [run.vertices[vertex - 1], run.vertices[vertex + 1]]) {
    const leg = neighbour === undefined ? new Vector3() : at.clone().sub(new Vector3(...neighbour));
    if (leg.length() > 1e-6 && directions.every((other) => Math.abs(other.dot(leg.clone().normalize())) < 0.9999)) {
      directions.push(leg.normalize());
    }
  }
  const here = project(at);
  return directions.map((along, index) => {
    const there = project(at.clone().add(along));
    return {
      name: index < 3 ? direction(['X', 'Y', 'Z'][index] ?? '') : 'the leg',
      along,
      screen: { x: there.x - here.x, y: there.y - here.y },
    };
  });
}

/** The track that lies most in the direction of the hand; one seen end on is none. */
function best(tracks: readonly Track[], moved: { x: number; y: number }): Track | null {
  const fit = ({ screen: { x, y } }: Track) => {
    const length = Math.hypot(x, y);
    return length < 1e-3 ? 0 : Math.abs(moved.x * x + moved.y * y) / length;
  };
  return tracks.reduce<Track | null>(
    (found, track) => (found === null || fit(track) > fit(found) ? track : found),
    null,
  );
}

/** The first rule that is broken now and was not, or more often than it was. */
function newlyBroken(before: SolvedRun, after: SolvedRun): Finding | null {
  const count = (run: SolvedRun, rule: string) =>
    run.findings.filter((finding) => finding.rule === rule && finding.severity === 'violation').length;
  return (
    after.findings.find(
      (finding) => finding.severity === 'violation' && count(after, finding.rule) > count(before, finding.rule),
    ) ?? null
  );
}
