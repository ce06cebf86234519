import { useEffect, useRef } from 'react';
import { Vector3 } from 'three';
import { type Held, useLaying } from '../../job/laying';
import type { Target } from '../../job/pointing';
import { useWorkbench } from '../../job/store';
import type { Track } from '../../job/tracks';
import { handStep } from '../../job/units';
import { vectorOf } from './aiming';
import type { useFace } from './useFace';
import type { Meant, useLayingActs } from './useLayingActs';
import type { useLeg } from './useLeg';

interface Given {
  leg: ReturnType<typeof useLeg>;
  acts: ReturnType<typeof useLayingActs>;
  face: () => ReturnType<ReturnType<typeof useFace>>;
  /** Returns the face of a surrounding under the pointer. */
  faceTarget: () => Target | null;
  asking: { want: (meant: Meant) => void };
}

const AXES: Record<string, Vector3> = { x: new Vector3(1, 0, 0), y: new Vector3(0, 1, 0), z: new Vector3(0, 0, 1) };

/** Whether keys go to a field, a menu or a dialog instead. */
const isElsewhere = (target: EventTarget | null) =>
  useWorkbench.getState().panel !== null ||
  (target instanceof Element && target.closest('input, select, textarea, [role="dialog"], [role="menu"]') !== null);

/**
 * The keys of laying: x y z a f hold a track, o keeps off a face, digits are a length; Enter, Backspace, Space, Escape.
 */
export function useLayingKeys(given: Given): void {
  const now = useRef(given);
  now.current = given;
  const on = useLaying((store) => store.start !== null);

  useEffect(() => {
    if (!on) {
      return;
    }
    const onKey = (event: KeyboardEvent) => {
      if (isElsewhere(event.target) || event.ctrlKey || event.metaKey) {
        return;
      }
      if (handle(event, now.current)) {
        event.preventDefault();
        event.stopPropagation();
      }
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [on]);
}

/** Handles a key; returns false when it has no meaning here. */
function handle(event: KeyboardEvent, { leg, acts, face, faceTarget, asking }: Given): boolean {
  const laying = useLaying.getState();
  const { typed } = laying;
  const type = (text: string) => {
    laying.set({ typed: text, refused: null });
    const track = laying.held?.track ?? laying.aim?.track ?? null;
    if (/^\d+(\.\d+)?$/.test(text) && track !== null && Number(text) > 0) {
      asking.want({ aim: laying.aim, track, length: Number(text) });
    }
  };
  const { key } = event;
  if (key === 'Escape') {
    if (typed !== '') {
      type('');
    } else if (laying.held !== null) {
      laying.set({ held: null });
    } else {
      acts.stop();
    }
  } else if (key === 'Enter') {
    void acts.place(event.altKey);
  } else if (key === 'Backspace') {
    if (typed === '') {
      acts.takeBack();
    } else {
      type(typed.slice(0, -1));
    }
  } else if (key === ' ' && typed === '') {
    acts.nextWay();
  } else if (/^[\d.,]$/.test(key) || (typed !== '' && key.length === 1)) {
    type(typed + key);
  } else if (key === 'e') {
    acts.nextPort();
  } else if (key === 'o') {
    keepOff(faceTarget(), leg.last);
  } else {
    return hold(key, leg.travel, face);
  }
  return true;
}

/**
 * Keeps corners off the face under the pointer, as far as the last corner is; again, or without a face, releases it.
 */
function keepOff(target: Target | null, last: Vector3): void {
  const laying = useLaying.getState();
  if (target?.along === undefined || target.anchor === null || laying.standOff?.name === target.name) {
    laying.set({ standOff: null });
    return;
  }
  const away = last.clone().sub(target.at).dot(target.along);
  const distance = Math.max(handStep(), Math.round(away / handStep()) * handStep());
  laying.set({ standOff: { anchor: target.anchor, name: target.name, distance: Math.round(distance * 1e6) / 1e6 } });
}

function hold(key: string, travel: Vector3 | null, face: Given['face']): boolean {
  const laying = useLaying.getState();
  const track = trackFor(key, face, laying.start?.axis);
  if (track === null) {
    return key === 'f' || key === 'a';
  }
  const again = laying.held?.key === key;
  const along = again ? (laying.held?.track.along ?? track.along).clone().negate() : aimedSide(track.along);
  laying.set({ held: { key: key as Held['key'], track: { name: named(key, track, along), along } }, ways: null });
  return true;

  /** Returns the direction along an axis: that of the pointer, else the one that does not reverse. */
  function aimedSide(axis: Vector3): Vector3 {
    const aimed = laying.aim?.track?.along;
    const against =
      aimed !== undefined && Math.abs(aimed.dot(axis)) > 0.5
        ? aimed.dot(axis) < 0
        : travel !== null && travel.dot(axis) < -0.99;
    return against ? axis.clone().negate() : axis.clone();
  }
}

function trackFor(key: string, face: Given['face'], port: [number, number, number] | undefined): Track | null {
  const axis = AXES[key];
  if (axis !== undefined) {
    return { name: key.toUpperCase(), along: axis };
  }
  if (key === 'a') {
    return port === undefined ? null : { name: 'port axis', along: vectorOf(port).normalize() };
  }
  return key === 'f' ? (face()?.normal ?? null) : null;
}

function named(key: string, track: Track, along: Vector3): string {
  const axis = AXES[key];
  return axis === undefined ? track.name : `${along.dot(axis) < 0 ? '−' : '+'}${key.toUpperCase()}`;
}
