// Appends one row to the table of bench/all, when that is what runs: the file that BENCH_TABLE names.
import { appendFileSync } from 'node:fs';

/**
 * @param {string} what what was measured
 * @param {number} ratio how many times `against` it is
 * @param {string} measured the figure with its unit
 * @param {string} against what it is compared with, with its own figure
 */
export function recordRatio(what, ratio, measured, against) {
  const table = process.env.BENCH_TABLE;
  if (table) {
    appendFileSync(table, `| ${what} | ${measured} | ${against} | ${Number(ratio.toPrecision(3))} |\n`);
  }
}
