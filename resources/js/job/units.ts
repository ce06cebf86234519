import { create } from 'zustand';
import type { Job } from '../api/types';

/** Millimetres of an inch, exact since 1959. */
export const INCH = 25.4;

export interface Units {
  word: 'mm' | 'in';
  /** Denominator of fractions of an inch; null for decimals. */
  fraction: 16 | 32 | 64 | null;
}

const MILLIMETRES: Units = { word: 'mm', fraction: null };

/**
 * The units of the open job, of which a window has one: set where the job is given to the components, before they
 * render.
 */
const useUnits = create<{ units: Units }>()(() => ({ units: MILLIMETRES }));

export const units = (): Units => useUnits.getState().units;

export function unitsOf(job: Job): Units {
  return job.show_units === 'in' ? { word: 'in', fraction: job.show_fraction ?? null } : MILLIMETRES;
}

export function showIn(next: Units): void {
  useUnits.setState({ units: next });
}

/** Returns the smallest step of a drag: a millimetre, or a division of a rule in inches. */
export const handStep = (): number => (units().word === 'mm' ? 1 : INCH / (units().fraction ?? 20));

/** Returns a fraction as on a rule, "1 3/8"; null where it would hide the number. */
export function inFractions(inches: number, parts: number): string | null {
  const whole = Math.round(Math.abs(inches) * parts);
  if (whole === 0) {
    return Math.abs(inches) < 5e-7 ? '0' : null;
  }
  const top = whole % parts;
  let common = top === 0 ? 1 : parts;
  while (top % common !== 0) {
    common /= 2;
  }
  const said = [
    whole >= parts ? String(Math.floor(whole / parts)) : '',
    top === 0 ? '' : `${top / common}/${parts / common}`,
  ];
  return (inches < 0 ? '−' : '') + said.filter((part) => part !== '').join(' ');
}
