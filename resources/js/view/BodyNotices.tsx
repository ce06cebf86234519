import { BodyProgress } from '../job/BodyProgress';
import { type JoinedItem, useDrawnBodies, useFineMesh } from './useBodyMesh';

/** What bodies are being found finely, while they are drawn coarsely. */
export function BodyNotices() {
  const bodies = useDrawnBodies();
  return (
    <div className="body-notices">
      {bodies.map((body) => (
        <BodyNotice key={body.id} body={body} />
      ))}
    </div>
  );
}

function BodyNotice({ body: { id, name } }: { body: JoinedItem }) {
  const { work } = useFineMesh(id);
  return work === null ? null : (
    <section className="legend" aria-label={`Finding ${name}`}>
      <BodyProgress work={work} doing={`Finding ${name}, shown coarsely until then…`} />
    </section>
  );
}
