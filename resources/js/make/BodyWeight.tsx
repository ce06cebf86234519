import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Run } from '../api/types';
import { length, show } from '../job/format';
import { useJob } from '../job/useJob';
import { Row } from '../ui/Section';

/** What the body of a run weighs and holds, with its flanges and plugs. */
export function BodyWeight({ run }: { run: Run }) {
  const { state } = useJob();
  const facts = useQuery({
    queryKey: ['mass', state.id, run.id, state.revision],
    queryFn: () => api.mass(state.id, run.id),
    placeholderData: (before) => before,
    retry: false,
  });
  if (facts.isError) {
    return <p className="text-danger">{facts.error.message}</p>;
  }
  if (facts.data === undefined) {
    return <p className="quiet">Weighing it…</p>;
  }
  const { mass, volume, surface, contents, centre } = facts.data;
  return (
    <>
      <Row label="Mass">
        <span className="figure">{show(mass, 3)} kg</span>
      </Row>
      <Row label="Volume of material">
        <span className="figure">{show(volume / 1e3, 1)} cm³</span>
      </Row>
      <Row label="Surface, in and out">
        <span className="figure">{show(surface / 1e6, 4)} m²</span>
      </Row>
      <Row label="Contents">
        <span className="figure">{show(contents / 1e6, 3)} l</span>
      </Row>
      {centre !== null && (
        <Row label="Centre of gravity">
          <span className="figure">{centre.map((one) => length(one)).join(', ')}</span>
        </Row>
      )}
    </>
  );
}
