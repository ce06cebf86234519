import type { SolvedRun, SolvedSpool } from '../api/types';
import { lengthWithUnit } from '../job/format';
import { Row } from '../ui/Section';

/** What a hose, cable or wire without bends is cut to. */
export function CutLength({ of }: { of: SolvedRun | SolvedSpool }) {
  return (
    <>
      <Row label="Length along the centre line">
        <span className="figure">{lengthWithUnit(of.length)}</span>
      </Row>
      <Row label="Cut length">
        <strong className="figure">{lengthWithUnit(of.cut_length)}</strong>
      </Row>
    </>
  );
}
