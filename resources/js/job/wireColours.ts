import type { Wire } from '../api/types';

/** What insulation of a colour looks like on the screen; the colour is told in words beside it. */
const INSULATION: Readonly<Record<string, string>> = {
  black: '#2b2b2b',
  blue: '#2f62b5',
  brown: '#7a4a25',
  green: '#2c8a57',
  grey: '#8b8f92',
  orange: '#d9741f',
  pink: '#d98a9c',
  red: '#bf3127',
  turquoise: '#3aa6a0',
  violet: '#7a4f9e',
  white: '#f4f1e8',
  yellow: '#d8b51f',
};

/** Told apart as well as may be, for wires whose colour is not told. */
const SIGNALS = [
  '#0e7c86',
  '#a8741a',
  '#6b4f9a',
  '#3f7f3b',
  '#b5473c',
  '#3b5fa0',
  '#8a6d3b',
  '#b04f8a',
  '#55707a',
  '#7d8a1f',
];

/** Returns the colour of a wire on the screen: that of its insulation, or one for its signal. */
export function colourOf(wire: Wire, signals: readonly string[]): string {
  const told = INSULATION[wire.colour?.toLowerCase().split(/[^a-z]/)[0] ?? ''];
  const number = signals.indexOf(wire.signal ?? '');
  return told ?? SIGNALS[Math.max(0, number) % SIGNALS.length] ?? '#55707a';
}

/** Returns the signals of wires in the order in which they come first. */
export const signalsOf = (wires: readonly Wire[]): string[] => [...new Set(wires.map(({ signal }) => signal ?? ''))];
