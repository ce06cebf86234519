import type { Vector } from '../api/types';
import { INCH, inFractions, units } from './units';

/** Formats a number that is not a length: with at most this many decimals and a true minus sign. */
export function show(value: number, decimals = 1): string {
  const text = value
    .toFixed(decimals)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '');
  return (text === '-0' ? '0' : text).replace('-', '−');
}

/** Formats it with all decimals, for columns. */
export function showEven(value: number, decimals = 1): string {
  const text = value.toFixed(decimals);
  return (Number(text) === 0 ? (0).toFixed(decimals) : text).replace('-', '−');
}

/** Formats a length in mm in the units of the job, without the unit. Inches have two more decimals. */
export function length(mm: number, decimals = 1): string {
  const { word, fraction } = units();
  if (word === 'mm') {
    return show(mm, decimals);
  }
  return (fraction === null ? null : inFractions(mm / INCH, fraction)) ?? show(mm / INCH, decimals + 2);
}

/** Formats a length with its unit. */
export const lengthWithUnit = (mm: number, decimals = 1): string => `${length(mm, decimals)} ${units().word}`;

/** Formats a length of many metres or feet, with its unit. */
export const longLength = (mm: number): string =>
  units().word === 'mm' ? `${show(mm / 1000, 1)} m` : `${show(mm / INCH / 12, 1)} ft`;

/** Formats a length for columns. */
export function lengthEven(mm: number, decimals = 1): string {
  const { word, fraction } = units();
  return word === 'mm' ? showEven(mm, decimals) : fraction === null ? showEven(mm / INCH, decimals + 2) : length(mm);
}

/** Returns a number of the job file as shown in a field: a length in the units of the job, or the text itself. */
export function fieldText(number: number | string | undefined, isLength = false): string {
  if (number === undefined) {
    return '';
  }
  if (typeof number === 'string') {
    return `=${number}`;
  }
  const { word, fraction } = units();
  if (!isLength || word === 'mm') {
    return String(Math.round(number * 1e6) / 1e6);
  }
  const inches = number / INCH;
  const parts = fraction ?? 64;
  // A fraction only where it is exact; other numbers keep all decimals.
  return fraction !== null && Math.abs(inches * parts - Math.round(inches * parts)) < 1e-6
    ? (inFractions(inches, parts) ?? '0').replace('−', '-')
    : String(Math.round(inches * 1e6) / 1e6);
}

export function direction(along: string | Vector | readonly number[]): string {
  return typeof along === 'string'
    ? along.toUpperCase().replace('-', '−')
    : along.map((part) => (typeof part === 'number' ? show(part, 2) : part)).join(' ');
}

export function time(iso: string): string {
  return new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}

/** Rounds a number for a field that is not being edited. */
export function rounded(number: number, decimals: number): number {
  const scale = 10 ** decimals;
  return Math.round(number * scale) / scale;
}
