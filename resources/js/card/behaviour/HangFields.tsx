import { lengthWithUnit, show } from '../../job/format';
import { Row } from '../../ui/Section';
import { RouteSlider } from '../RouteSlider';
import { GivenLengthFields } from './GivenLengthFields';
import { type BehaviourProps, byLength } from './props';

const bySlack = (slack: number) => ({ slack });

/** The fields of a hanging cable: its length or slack, and what follows from it. */
export function HangFields(props: BehaviourProps) {
  const { run, route, solved } = props;
  const [least = 0, most = 0] = solved.length_range ?? [];
  const facts = solved.shape?.kind === 'hang' ? solved.shape : null;
  const isSlack = route.slack !== undefined;
  return (
    <>
      <GivenLengthFields {...props} />
      <RouteSlider
        run={run.id}
        label={isSlack ? 'Slack by hand' : 'Length by hand'}
        value={isSlack ? Number(route.slack) : solved.length}
        least={isSlack ? 0.005 : least}
        most={isSlack ? 1 : most}
        step={isSlack ? 0.005 : 'any'}
        route={isSlack ? bySlack : byLength}
      />
      {facts?.spans !== undefined && (
        <table className="table table-sm figure w-100" aria-label="Spans">
          <thead>
            <tr>
              <th scope="col">Span</th>
              <th scope="col">Length</th>
              <th scope="col">Sag</th>
              <th scope="col">Pull, N</th>
            </tr>
          </thead>
          <tbody>
            {facts.spans.map((span, index) => (
              <tr key={span.lowest.join()}>
                <th scope="row">{index + 1}</th>
                <td>{lengthWithUnit(span.length)}</td>
                <td>{lengthWithUnit(span.sag)}</td>
                <td>{span.pull.map((pull) => show(pull, 2)).join(', ')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {facts !== null && (
        <>
          <Row label={facts.spans === undefined ? 'Sag' : 'Deepest sag'}>
            <span className="figure">{lengthWithUnit(facts.sag)}</span>
          </Row>
          <Row label="Leaves the ends at">
            <span className="figure">{facts.angles.map((angle) => `${show(angle)}°`).join(', ')} down</span>
          </Row>
          <Row label="Pull at the ends">
            <span className="figure">{facts.pull.map((pull) => show(pull, 2)).join(', ')} N</span>
          </Row>
        </>
      )}
    </>
  );
}
