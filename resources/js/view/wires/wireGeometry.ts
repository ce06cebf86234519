import { BufferGeometry, Float32BufferAttribute, Vector3 } from 'three';
import type { SolvedRun } from '../../api/types';
import { frameAlong, stationsOf } from '../tube';

/** A length of trunk along which a wire lies in one place of the section. Millimetres. */
export interface WireStretch {
  run: string;
  from: number;
  to: number;
  radius: number;
  /** Off the centre line. */
  at: [number, number];
}

const SIDES = 8;

/** Length over which a wire goes from its place in one span to that in the next, mm. */
const BLEND = 30;

/** Returns the triangles of one wire along its trunks. */
export function wireGeometry(
  stretches: readonly WireStretch[],
  solution: (run: string) => SolvedRun | undefined,
): BufferGeometry {
  const positions: number[] = [];
  const normals: number[] = [];
  const indices: number[] = [];
  for (const run of new Set(stretches.map((one) => one.run))) {
    const solved = solution(run);
    const own = stretches.filter((one) => one.run === run).sort((a, b) => a.from - b.from);
    for (const chain of solved === undefined ? [] : chainsOf(own)) {
      addTube(chain, solved as SolvedRun, positions, normals, indices);
    }
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setAttribute('normal', new Float32BufferAttribute(normals, 3));
  geometry.setIndex(indices);
  geometry.computeBoundingSphere();
  return geometry;
}

/** Returns stretches that go on from one to the next, together. */
function chainsOf(stretches: readonly WireStretch[]): WireStretch[][] {
  const chains: WireStretch[][] = [];
  for (const stretch of stretches) {
    const last = chains[chains.length - 1];
    if (last !== undefined && Math.abs((last[last.length - 1]?.to ?? 0) - stretch.from) < 1e-6) {
      last.push(stretch);
    } else {
      chains.push([stretch]);
    }
  }
  return chains;
}

function addTube(
  chain: readonly WireStretch[],
  solved: SolvedRun,
  positions: number[],
  normals: number[],
  indices: number[],
): void {
  const stations = stationsOf(solved);
  const [start, end] = [chain[0]?.from ?? 0, chain[chain.length - 1]?.to ?? 0];
  const borders = chain.flatMap(({ from, to }) => [from + BLEND, to - BLEND]).filter((at) => at > start && at < end);
  const places = [start, end, ...borders, ...stations.map(({ along }) => along)]
    .filter((at) => at >= start && at <= end)
    .sort((a, b) => a - b)
    .filter((at, i, all) => i === 0 || at - (all[i - 1] ?? 0) > 1e-6);
  let before: number | null = null;
  for (const along of places) {
    const frame = frameAlong(stations, along);
    const [x, y, radius] = placeAt(chain, along);
    const middle = frame.at.clone().addScaledVector(frame.first, x).addScaledVector(frame.second, y);
    const ring = positions.length / 3;
    for (let i = 0; i < SIDES; i++) {
      const angle = (2 * Math.PI * i) / SIDES;
      const out = new Vector3()
        .addScaledVector(frame.first, Math.cos(angle))
        .addScaledVector(frame.second, Math.sin(angle));
      normals.push(out.x, out.y, out.z);
      positions.push(middle.x + radius * out.x, middle.y + radius * out.y, middle.z + radius * out.z);
    }
    if (before !== null) {
      for (let i = 0; i < SIDES; i++) {
        const j = (i + 1) % SIDES;
        indices.push(before + i, before + j, ring + j, before + i, ring + j, ring + i);
      }
    }
    before = ring;
  }
}

/** Returns the place of a wire in the section, and its radius: near a border between those on both sides of it. */
function placeAt(chain: readonly WireStretch[], along: number): [number, number, number] {
  const index = Math.max(
    0,
    chain.findIndex(({ to }) => along <= to),
  );
  const own = chain[index] as WireStretch;
  const mix = (other: WireStretch | undefined, off: number): [number, number, number] => {
    const share = other === undefined ? 0 : Math.max(0, 0.5 - off / (2 * BLEND));
    const to = other ?? own;
    return [own.at[0] + share * (to.at[0] - own.at[0]), own.at[1] + share * (to.at[1] - own.at[1]), own.radius];
  };
  return along - own.from < own.to - along
    ? mix(chain[index - 1], along - own.from)
    : mix(chain[index + 1], own.to - along);
}
