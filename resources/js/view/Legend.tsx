import { usePreferences } from '../job/preferences';
import { useJob } from '../job/useJob';
import { ServiceMark } from '../ui/ServiceMark';

/** What the colours and bands of the runs mean, where they are shown by what they carry. */
export function Legend() {
  const byService = usePreferences((store) => store.byService);
  const { state, items } = useJob();
  if (!byService) {
    return null;
  }
  const used = new Set(items('runs').map(({ service }) => service));
  const shown = state.services.filter(({ id }) => used.has(id));
  return (
    <section className="legend" aria-label="Legend">
      {shown.map((service) => (
        <div key={service.id}>
          <ServiceMark colour={service.colour} bands={Number(service.bands ?? 0)} /> {service.name ?? service.id}
        </div>
      ))}
      {shown.length === 0 && <span className="quiet">No run says what it carries.</span>}
      {shown.length > 0 && used.has(undefined) && (
        <div>
          <ServiceMark colour="#c4c9c6" bands={0} /> not told
        </div>
      )}
    </section>
  );
}
