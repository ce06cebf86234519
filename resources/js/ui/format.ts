import type { Vector } from '../api/types';

/** A length or angle for reading: at most this many decimals, a true minus sign. */
export function show(value: number, decimals = 1): string {
  const text = value
    .toFixed(decimals)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '');
  return (text === '-0' ? '0' : text).replace('-', '−');
}

/** The same with all decimals, for columns. */
export function showEven(value: number, decimals = 1): string {
  const text = value.toFixed(decimals);
  return (Number(text) === 0 ? (0).toFixed(decimals) : text).replace('-', '−');
}

/** A number of the job file as it is shown in a field. */
export function fieldText(number: number | string | undefined): string {
  if (number === undefined) {
    return '';
  }
  return typeof number === 'string' ? `=${number}` : String(Math.round(number * 1e6) / 1e6);
}

export function direction(along: string | Vector | readonly number[]): string {
  return typeof along === 'string'
    ? along.toUpperCase().replace('-', '−')
    : along.map((part) => (typeof part === 'number' ? show(part, 2) : part)).join(' ');
}

export function time(iso: string): string {
  return new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}
